import { useMemo } from 'react';
import type { OrderSpan } from '../../../core/orders/study.ts';
import { lookedAt } from '../../../core/results/asked/asking.ts';
import { changesIn, marketLookedAt, type DatedStep } from '../../../core/results/changes-of-market.ts';
import { dateOfDay } from '../../../core/time/day.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNow, useRelease } from '../../page/page-context.tsx';
import { part } from '../../page/parts.ts';
import type { SetQuery } from '../../page/use-query.ts';
import { ChangeSentence } from './ChangeSentence.tsx';
import { ChangeFound } from './ChangeFound.tsx';

/** What happened since a change of an offer: before and after, beside other markets. */
export function WhatHappened({
  query,
  setQuery,
  steps,
  spans,
}: {
  query: Record<string, string>;
  setQuery: SetQuery;
  steps: readonly DatedStep[];
  spans: Readonly<Record<string, OrderSpan>>;
}) {
  const draft = usePolicy();
  const released = useRelease()?.policy ?? null;
  const today = Math.floor(useNow() / 86_400_000);
  const market = marketLookedAt(query.market, draft, steps, today)!;
  const changes = useMemo(() => changesIn(steps, market), [steps, market]);
  const span = Object.hasOwn(spans, market) ? spans[market]! : null;
  const { chosen, found, asking } = useMemo(
    () => lookedAt(market, query, span, { draft, released, steps, today }),
    [market, query, span, draft, released, steps, today],
  );
  return (
    <section ref={part('what happened')} aria-label="What happened" data-testid="what-happened">
      <ChangeSentence
        market={market}
        changes={changes}
        chosen={chosen}
        weeks={found && { taken: found.weeks, most: found.most }}
        days={span && { first: dateOfDay(span.firstDay), last: dateOfDay(span.lastDay) }}
        setQuery={setQuery}
      />
      {!span && <NoOrders market={draft.markets[market]!.name} />}
      {span && !asking && (
        <p className="py-2" data-testid="no-whole-week">
          There is not a whole week of orders on both sides of that day without another change of an offer in this
          market. Choose another change, or come back when a week has passed.
        </p>
      )}
      {span && asking && (
        <ChangeFound
          market={market}
          span={span}
          chosen={chosen}
          asking={asking}
          steps={steps}
          changes={changes}
          setQuery={setQuery}
        />
      )}
    </section>
  );
}

function NoOrders({ market }: { market: string }) {
  return (
    <p className="max-w-[46rem] py-2" data-testid="no-orders">
      No orders of {market} are known. Import them at{' '}
      <a className="link link-primary" href="/orders">
        Orders
      </a>
      , or have the shop report them with a key from{' '}
      <a className="link link-primary" href="/connections">
        Connections
      </a>
      .
    </p>
  );
}
