import { niceStep } from '../orders/nice-step.ts';
import { condensed, evenBands } from './condense.ts';
import type { Counterfactual } from './counterfactual.ts';
import type { GoalMeasure } from './measured-orders.ts';
import { moveOutcome, type MoveOutcome, type MoveTerms } from './move.ts';

/** Candidates along the line. */
const steps = 120;
/** Bands between two candidates. */
const fineness = 4;

/** Candidates from one step to the end. Minor units, or pieces: every whole number of them. */
export function candidatesAlong(measure: GoalMeasure, end: number): number[] {
  const step = stepAlong(measure, end);
  return Array.from({ length: Math.floor(end / step) }, (_, i) => (i + 1) * step);
}

const stepAlong = (measure: GoalMeasure, end: number): number =>
  measure === 'items' ? 1 : Math.max(1, niceStep(end / steps));

/** What moving a goal would bring, candidate by candidate; 0 where it is now. */
export interface MoveCurve {
  present: number | null;
  along: MoveOutcome[];
  /** without any goal; null: there is none now */
  dropped: MoveOutcome | null;
}

/**
 * @param end of the line, in the measure @param between which candidates; all when not said @param months length of the period
 */
export function moveCurve(
  parts: readonly Counterfactual[],
  months: number,
  {
    present,
    end,
    between = [0, end],
  }: { present: number | null; end: number; between?: readonly [lowest: number, highest: number] },
  terms: MoveTerms,
): MoveCurve {
  const measure = parts[0]?.measure ?? 'value';
  const step = stepAlong(measure, end);
  const bands = parts.map((part) => condensed(part, evenBands(step / fineness, end, [present])));
  const outcome = (candidate: number | null) => moveOutcome(bands, months, { present, candidate }, terms);
  const candidates = candidatesAlong(measure, end);
  const all = present === null || candidates.includes(present) || present > end ? candidates : [...candidates, present];
  const [lowest, highest] = between;
  const wanted = all.filter((candidate) => candidate >= lowest && candidate <= highest).sort((a, b) => a - b);
  return {
    present,
    along: wanted.map(outcome),
    dropped: present === null ? null : outcome(null),
  };
}
