import type { OrderColumns } from '../orders/columns.ts';
import type { FigureTerms } from '../results/figures/figure.ts';
import { figureIds, figureKinds, type FigureId } from '../results/figures/registry.ts';
import type { Window } from '../results/matched-weeks.ts';
import { usualPrices } from '../results/usual-prices.ts';
import { alwaysValidDifference, type AlwaysValid } from '../statistics/confidence-sequence.ts';
import { nobodyYet, together, withValues, type Running } from '../statistics/running.ts';
import { usualCertainty } from '../statistics/sample-size.ts';
import { armName } from './arm-name.ts';

/** What is asked of the orders of an experiment. */
export interface ExperimentQuestion {
  experiment: string;
  /** ids, the one that others are compared with first, each with the goal that its shoppers have: minor units, null: none */
  arms: readonly { id: string; goal: number | null }[];
  days: Window;
  /** share of goods that stays as margin */
  margin: number;
  measure: FigureId;
  /** orders of two arms together at which the interval is to be tightest: as many as were planned */
  tightest: number;
}

/** One look at how an arm stands to the first. */
interface Look extends AlwaysValid {
  day: number;
}

export interface ArmStudy {
  id: string;
  orders: number;
  figures: Readonly<Record<FigureId, Running>>;
  /** to the first arm, each valid at every look; null: too few orders, and of the first */
  differences: Readonly<Record<FigureId, AlwaysValid | null>>;
  /** how the measure stood at the end of each day of which something is known */
  looks: readonly Look[];
}

/** What the orders of an experiment say so far. */
export interface ExperimentStudy {
  arms: readonly ArmStudy[];
  /** last day with an order of it; null: none yet */
  lastDay: number | null;
}

/** How many of a hundred experiments may be wrong about any of their arms at any look, split between the arms. */
const errorOf = (arms: number): number => usualCertainty.error / Math.max(1, arms - 1);

/**
 * Looks through the orders of an experiment, a day after another. Takes tens of milliseconds for a million: meant for a worker.
 *
 * @param columns orders of its market
 */
export function studyExperiment(columns: OrderColumns, question: ExperimentQuestion): ExperimentStudy {
  const { arms, measure, tightest } = question;
  const error = errorOf(arms.length);
  const places = placesOfArms(columns, question);
  const usualPrice = usualPrices(columns, [question.days]);
  const terms = arms.map(({ goal }): FigureTerms => ({ goalOn: () => goal, usualPrice, margin: question.margin }));
  const days = arms.map((_, arm) => byDay(columns, places[arm]!, measure, terms[arm]!));
  const figures = arms.map((_, arm) => figuresOf(columns, places[arm]!, terms[arm]!));
  const all = [...new Set(days.flatMap((of) => [...of.keys()]))].sort((a, b) => a - b);
  return {
    lastDay: all.at(-1) ?? null,
    arms: arms.map(({ id }, arm) => ({
      id,
      orders: places[arm]!.length,
      figures: figures[arm]!,
      differences: ofFigures((figure) =>
        arm === 0 ? null : alwaysValidDifference(figures[0]![figure], figures[arm]![figure], { error, tightest }),
      ),
      looks: arm === 0 ? [] : looksOf(all, days[0]!, days[arm]!, { error, tightest }),
    })),
  };
}

function ofFigures<T>(make: (figure: FigureId) => T): Record<FigureId, T> {
  const made = {} as Record<FigureId, T>;
  for (const figure of figureIds) made[figure] = make(figure);
  return made;
}

/** Where the orders of each arm stand among the columns. */
function placesOfArms(
  { arm, arms: named, day, count }: OrderColumns,
  { experiment, arms, days }: ExperimentQuestion,
): number[][] {
  const places: number[][] = arms.map(() => []);
  const armOf = named.map((name) => arms.findIndex(({ id }) => armName(experiment, id) === name));
  for (let index = 0; index < count; index++) {
    // Nearly all orders are of no arm.
    if (arm[index] === 0) continue;
    const at = armOf[arm[index]!]!;
    if (at >= 0 && day[index]! >= days.from && day[index]! < days.to) places[at]!.push(index);
  }
  return places;
}

/** Figures of an order; those of whole days say nothing of an arm, since arms share each day. */
function figuresOf(columns: OrderColumns, places: readonly number[], terms: FigureTerms): Record<FigureId, Running> {
  return ofFigures((figure) =>
    figureKinds[figure].of === 'day' ? nobodyYet : withValues(nobodyYet, valuesOf(columns, places, figure, terms)),
  );
}

const valuesOf = (columns: OrderColumns, places: readonly number[], figure: FigureId, terms: FigureTerms): number[] =>
  places.map((index) => figureKinds[figure].value(columns, index, terms)).filter((value) => !Number.isNaN(value));

function byDay(
  columns: OrderColumns,
  places: readonly number[],
  figure: FigureId,
  terms: FigureTerms,
): Map<number, Running> {
  const values = new Map<number, number[]>();
  for (const index of places) {
    const value = figureKinds[figure].value(columns, index, terms);
    if (Number.isNaN(value)) continue;
    const day = columns.day[index]!;
    const known = values.get(day);
    if (known) known.push(value);
    else values.set(day, [value]);
  }
  return new Map([...values].map(([day, of]) => [day, withValues(nobodyYet, of)]));
}

function looksOf(
  days: readonly number[],
  first: ReadonlyMap<number, Running>,
  second: ReadonlyMap<number, Running>,
  terms: { error: number; tightest: number },
): Look[] {
  let [one, other] = [nobodyYet, nobodyYet];
  return days.flatMap((day) => {
    one = together(one, first.get(day) ?? nobodyYet);
    other = together(other, second.get(day) ?? nobodyYet);
    const known = alwaysValidDifference(one, other, terms);
    return known ? [{ day, ...known }] : [];
  });
}
