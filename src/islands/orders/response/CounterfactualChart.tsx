import { useMemo, useRef, type RefObject } from 'react';
import {
  Bar,
  Cell,
  ComposedChart,
  Line,
  ReferenceLine,
  Tooltip,
  XAxis,
  YAxis,
  type TooltipContentProps,
} from 'recharts';
import { minorPerMajor } from '../../../core/money/currency.ts';
import type { BunchingResult } from '../../../core/orders/bunching.ts';
import { axisLook, ChartWords } from '../../../ui/chart/chart-look.tsx';
import { useNotation } from '../../page/page-context.tsx';

type Band = Extract<BunchingResult, { ok: true }>['result']['bands'][number];

/** As far above the goal as the picture reaches. */
const reach = 2.4;

/** Orders by value as bars, and as they would have been without the goal as a line. */
export default function CounterfactualChart({
  bands,
  goal,
  currency,
  picture,
}: {
  bands: readonly Band[];
  goal: number;
  currency: string;
  picture: RefObject<HTMLDivElement | null>;
}) {
  const { locale } = useNotation();
  const box = useRef<HTMLDivElement>(null);
  const shown = useMemo(
    () => bands.filter(({ to }) => to <= goal * reach).map((band) => ({ ...band, middle: (band.from + band.to) / 2 })),
    [bands, goal],
  );
  const figure = new Intl.NumberFormat(locale, { maximumFractionDigits: 0 });
  return (
    <div ref={picture} data-testid="counterfactual">
      <div ref={box}>
        <ComposedChart
          width={640}
          height={148}
          data={shown}
          margin={{ top: 14, right: 8, bottom: 0, left: 0 }}
          barCategoryGap={1}
          accessibilityLayer
          title="Orders by value against a smooth line"
        >
          <XAxis
            dataKey="middle"
            type="number"
            domain={[0, shown.at(-1)?.to ?? 1]}
            tickFormatter={(minor: number) => figure.format(minor / minorPerMajor(currency))}
            tickCount={7}
            {...axisLook}
          />
          <YAxis width={44} tickCount={3} {...axisLook} axisLine={false} tickLine={false} />
          <Bar dataKey="orders" isAnimationActive={false}>
            {shown.map((band) => (
              <Cell
                key={band.from}
                fill={band.from >= goal && band.orders > band.expected * 1.3 ? 'var(--color-accent)' : 'var(--bar)'}
              />
            ))}
          </Bar>
          <Line
            dataKey="expected"
            stroke="var(--color-base-content)"
            strokeWidth={1.5}
            dot={false}
            isAnimationActive={false}
          />
          <ReferenceLine
            x={goal}
            stroke="var(--ember-ink)"
            strokeDasharray="3 3"
            label={{
              value: figure.format(goal / minorPerMajor(currency)),
              position: 'top',
              fontSize: 12,
              fill: 'var(--ember-ink)',
            }}
          />
          <Tooltip isAnimationActive={false} content={(tip) => <Words {...tip} currency={currency} />} />
        </ComposedChart>
      </div>
    </div>
  );
}

function Words({ active, payload, currency }: TooltipContentProps & { currency: string }) {
  const { money, locale } = useNotation();
  const band = payload?.[0]?.payload as Band | undefined;
  if (!active || !band) return null;
  const count = new Intl.NumberFormat(locale, { maximumFractionDigits: 0 });
  return (
    <ChartWords>
      <p>
        {money(band.from, currency)} to below {money(band.to, currency)}
      </p>
      <p>
        <strong>{count.format(band.orders)}</strong> orders, {count.format(band.expected)} without the goal
      </p>
    </ChartWords>
  );
}
