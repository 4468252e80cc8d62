import { fewestMembers, membersToTell, type FigureDifference } from './compare-figures.ts';
import { figureIds, figureKinds, type FigureId } from './figures/registry.ts';
import type { ChangeStudy, MarketPanels } from './study-change.ts';
import { differenceInDifferences, type Changed } from '../statistics/difference-in-differences.ts';

/** What is known of a figure in the end. */
export interface JudgedFigure {
  id: FigureId;
  /** after less before, by itself */
  difference: FigureDifference | null;
  /** beyond what it did in other markets, relative; null: compared with none, or too few orders */
  beyond: Changed | null;
  /** how it moved in the other markets together, relative; null where it is compared with none */
  elsewhere: number | null;
  /** what it is judged by is surely more or less than nothing; null: nothing is known of it */
  verdict: 'more' | 'less' | 'chance' | null;
  /** orders that would tell a difference as large as the one seen; null: told already, or more than a hundred times as many */
  toTell: number | null;
}

/**
 * Each figure with what it is judged by: the difference beyond other markets where there are any to compare with, else the
 * difference by itself.
 *
 * @param others null: compared with none
 */
export function judgeChange(
  study: ChangeStudy,
  others: readonly MarketPanels[] | null,
): Record<FigureId, JudgedFigure> {
  const judged = {} as Record<FigureId, JudgedFigure>;
  const orders = study.orders[0] + study.orders[1];
  for (const id of figureIds) {
    const row = study.figures[id];
    const beyond = others
      ? differenceInDifferences(
          row,
          others.map((panels) => panels[id]),
          fewestMembers[figureKinds[id].of],
        )
      : null;
    const by = beyond ?? (others ? null : row.difference);
    const seen = beyond?.relative ?? row.difference?.difference ?? 0;
    judged[id] = {
      id,
      difference: row.difference,
      beyond,
      elsewhere: beyond ? beyond.expected / row.before.mean - 1 : null,
      verdict: by && verdictOf(by),
      toTell: by ? membersToTell(orders, seen, (by.high - by.low) / 2) : null,
    };
  }
  return judged;
}

function verdictOf({ low, high }: { low: number; high: number }): 'more' | 'less' | 'chance' {
  if (low > 0) return 'more';
  return high < 0 ? 'less' : 'chance';
}
