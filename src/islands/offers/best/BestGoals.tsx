import { memo } from 'react';
import type { DatedStep } from '../../../core/results/changes-of-market.ts';
import { lazyPart } from '../../../ui/lazy-part.tsx';
import { WhenSeen } from '../../../ui/chart/WhenSeen.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { part } from '../../page/parts.ts';

const WeighedGoals = lazyPart(() => import('./WeighedGoals.tsx'));

/** px */
const rowHeight = 62;

/** Where each market’s goal would stand best, by its past orders, and the way to put it there. */
export const BestGoals = memo(function BestGoals({
  offerId,
  steps,
}: {
  offerId: string | undefined;
  /** what releases changed, newest first */
  steps: readonly DatedStep[];
}) {
  const { markets } = usePolicy();
  const height = 40 + Object.keys(markets).length * rowHeight;
  return (
    <section
      ref={part('best goals')}
      aria-label="Best goals"
      className="mt-4 border-t border-hairline pt-2"
      data-testid="best-goals"
    >
      <h2 className="text-lead">Best goals</h2>
      <p className="text-small text-soft">
        Where past orders say the goal for free delivery would bring a month most, under what is assumed of shoppers at
        Orders; near the goal in force, since further off nobody knows.
      </p>
      <WhenSeen height={height} label="the best goals">
        {() => <WeighedGoals offerId={offerId} steps={steps} />}
      </WhenSeen>
    </section>
  );
});
