import { memo, useRef } from 'react';
import type { Outcome } from '../../../core/orders/candidates.ts';
import { LineKey } from '../../../ui/chart/LineKey.tsx';
import { WhenSeen } from '../../../ui/chart/WhenSeen.tsx';
import { lazyPart } from '../../../ui/lazy-part.tsx';

const fetchNetChart = () => import('./NetChart.tsx');
const NetChart = lazyPart(fetchNetChart);

/** Begins to fetch the chart while the orders that it shows are still on their way. */
export const expectNetChart = (): void => void fetchNetChart().catch(() => undefined);

/** What a goal at each amount would cost and bring a month, under the picture of orders and on the same line. */
export const NetSection = memo(function NetSection({
  curve,
  currency,
  end,
  goals,
}: {
  curve: readonly Outcome[];
  currency: string;
  /** of the axis, minor units */
  end: number;
  /** trial goals, minor units */
  goals: readonly number[];
}) {
  const box = useRef<HTMLDivElement>(null);
  return (
    <div ref={box} data-testid="net-section">
      <p className="flex flex-wrap justify-between gap-x-4 pl-0.5 text-fine text-soft">
        <span>{currency} a month, if a goal stood at this amount</span>
        <span className="flex gap-x-3">
          <LineKey dash="7 3" className="stroke-option-3" text="gain" />
          <LineKey dash="2 3" className="stroke-option-1" text="cost" />
          <LineKey className="stroke-ember" text="net, and where it may lie" />
        </span>
      </p>
      <WhenSeen height={132} label="what a goal would bring">
        {() => <NetChart curve={curve} currency={currency} end={end} goals={goals} />}
      </WhenSeen>
    </div>
  );
});
