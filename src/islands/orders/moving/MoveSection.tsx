import { memo } from 'react';
import { breakEvenInWords } from '../../../core/goal-moves/move-in-words.ts';
import { LineKey } from '../../../ui/chart/LineKey.tsx';
import { WhenSeen } from '../../../ui/chart/WhenSeen.tsx';
import { lazyPart } from '../../../ui/lazy-part.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { goalNotation } from './goal-notation.ts';
import type { Moving } from './use-moving.ts';

const fetchMoveChart = () => import('./MoveChart.tsx');
const MoveChart = lazyPart(fetchMoveChart);

/** Begins to fetch the chart while the orders that it shows are still on their way. */
export const expectMoveChart = (): void => void fetchMoveChart().catch(() => undefined);

/** What a month would bring with the goal elsewhere, under the picture of orders and on the same line. */
export const MoveSection = memo(function MoveSection({
  moving,
  currency,
  end,
  goals,
}: {
  moving: Moving;
  currency: string;
  /** of the axis, in the measure */
  end: number;
  /** trial goals */
  goals: readonly number[];
}) {
  return (
    <div data-testid="move-section">
      <p className="flex flex-wrap justify-between gap-x-4 pl-0.5 text-fine text-soft">
        <span>
          {currency} a month{moving.present === null ? '' : ' against the goal in force'}
          {moving.asked.goal.measure === 'items' && ', by pieces'}
        </span>
        <LineKey className="stroke-ember" text="net, and where it may lie" />
      </p>
      <WhenSeen height={132} label="what moving the goal would bring">
        {() => <MoveChart moving={moving} currency={currency} end={end} goals={goals} />}
      </WhenSeen>
      <Dropped moving={moving} currency={currency} />
    </div>
  );
});

function Dropped({ moving: { curve, asked, notBorneOut }, currency }: { moving: Moving; currency: string }) {
  const notation = useNotation();
  const { dropped } = curve;
  const round = (minor: number) => notation.money(Math.round(minor), currency);
  if (notBorneOut)
    return (
      <p className="text-small text-soft" data-testid="not-borne-out">
        Most orders above this goal paid for delivery all the same: it was not in force in that time, and everything
        here is against no goal.
      </p>
    );
  if (!dropped) return null;
  return (
    <p className="text-small" data-testid="dropped">
      Without any goal <strong className={dropped.net < 0 ? 'text-error' : ''}>{round(dropped.net)}</strong> a month,
      between {round(dropped.low)} and {round(dropped.high)}.{' '}
      <span className="text-soft">
        {breakEvenInWords(dropped, goalNotation(notation, asked.goal.measure, currency))}
      </span>
    </p>
  );
}
