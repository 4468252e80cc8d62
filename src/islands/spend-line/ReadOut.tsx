import { useMemo } from 'react';
import { orderOfValue } from '../../core/cart/hypothetical-order.ts';
import type { CompiledZone } from '../../core/evaluation/compile.ts';
import { evaluateOrder } from '../../core/evaluation/evaluate-order.ts';
import { ordersBelow, type Distribution } from '../../core/orders/distribution.ts';
import type { Shopper } from '../../core/policy/types.ts';
import type { Sweep } from '../../core/sweep/sweep.ts';
import { renderLead } from '../../core/wording/render.ts';
import { useCompiled, useNotation, useNow } from '../page/page-context.tsx';
import { someoneIn } from '../../core/evaluation/someone-in.ts';
import { OptionPrices } from './OptionPrices.tsx';

/** What holds at one order value, above the picture so that it hides nothing. */
export function ReadOut({
  at,
  pointed,
  zone,
  sweep,
  distribution,
  language,
  percent,
  shopper,
}: {
  at: number;
  pointed: boolean;
  zone: CompiledZone;
  sweep: Sweep;
  distribution: Distribution | null;
  language: string;
  percent: (share: number) => string;
  shopper: Shopper | undefined;
}) {
  const { money } = useNotation();
  const compiled = useCompiled();
  const now = useNow();
  const market = zone.market.market;
  const evaluation = evaluateOrder(zone, orderOfValue(at), someoneIn(zone, now, shopper));
  const message = renderLead(compiled, evaluation, 'strip', language);
  const nowhere = useMemo(
    () =>
      new Set(
        zone.options.flatMap(({ id }, index) =>
          sweep.segments.every((segment) => !segment.options[index]) ? [id] : [],
        ),
      ),
    [zone, sweep],
  );
  const below = distribution && distribution.orders > 0 ? ordersBelow(distribution, at) / distribution.orders : null;
  return (
    <div className="min-h-[88px] sm:min-h-[46px]" aria-live="off" data-testid="read-out">
      <p className="flex flex-wrap items-center gap-x-5">
        <span className="w-40">
          {pointed ? 'At' : 'At the goal,'} <strong>{money(at, market.currency)}</strong>
        </span>
        <OptionPrices zone={zone} options={evaluation.options} left={nowhere} />
      </p>
      <p className="flex flex-wrap gap-x-5 text-soft">
        {below !== null && (
          <span className="w-72">
            {percent(below)} of orders lie below, {percent(1 - below)} from here up
          </span>
        )}
        <span className="min-w-0 basis-full truncate sm:flex-1 sm:basis-0">
          {message ? (
            <>
              reads “<span lang={message.found.language}>{message.text}</span>”
            </>
          ) : (
            'reads nothing'
          )}
        </span>
      </p>
    </div>
  );
}
