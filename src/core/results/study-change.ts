import type { OrderColumns } from '../orders/columns.ts';
import { goalOn, type GoalTimeline } from '../orders/goal-timeline.ts';
import type { Running } from '../statistics/running.ts';
import { compareFigures, type FigureDifference } from './compare-figures.ts';
import type { FigureTerms } from './figures/figure.ts';
import { figureIds, type FigureId } from './figures/registry.ts';
import type { Window } from './matched-weeks.ts';
import { twoDistributions, type TwoDistributions } from './two-distributions.ts';
import { usualPrices } from './usual-prices.ts';
import { windowFigures, type WindowFigures } from './window-figures.ts';

/** Two windows that are compared. */
export interface Windows {
  before: Window;
  after: Window;
}

/** What is asked of a market’s orders. */
export interface ChangeQuestion {
  windows: Windows;
  goals: GoalTimeline;
  /** share of goods that stays as margin */
  margin: number;
}

export interface FigureRow {
  before: Running;
  after: Running;
  /** orders of which it is not known, before and after */
  unknown: [number, number];
  difference: FigureDifference | null;
}

/** What orders say about a change. */
export interface ChangeStudy {
  windows: Windows;
  orders: [number, number];
  figures: Record<FigureId, FigureRow>;
  distributions: TwoDistributions | null;
}

/** What figures of a market are worked out with. */
export const termsOf = (columns: OrderColumns, { windows, goals, margin }: ChangeQuestion): FigureTerms => ({
  goalOn: goalOn(goals),
  usualPrice: usualPrices(columns, [windows.before, windows.after]),
  margin,
});

/** Looks at a market’s orders before and after a change. Takes tens of milliseconds for a million: meant for a worker. */
export function studyChange(columns: OrderColumns, question: ChangeQuestion): ChangeStudy {
  const terms = termsOf(columns, question);
  const { windows } = question;
  const before = windowFigures(columns, windows.before, terms);
  const after = windowFigures(columns, windows.after, terms);
  return {
    windows,
    orders: [before.orders, after.orders],
    figures: rowsOf(before, after),
    distributions: twoDistributions(columns, windows.before, windows.after),
  };
}

function rowsOf(before: WindowFigures, after: WindowFigures): Record<FigureId, FigureRow> {
  const rows = {} as Record<FigureId, FigureRow>;
  const differences = compareFigures(before, after);
  for (const id of figureIds) {
    const [was, is] = [before.figures[id], after.figures[id]];
    rows[id] = {
      before: was.running,
      after: is.running,
      unknown: [before.unknown[id], after.unknown[id]],
      difference: differences[id],
    };
  }
  return rows;
}

/** The figures of a market alone, as another is compared with it. */
export type MarketPanels = Record<FigureId, { before: Running; after: Running }>;

export function panelsOf(columns: OrderColumns, question: ChangeQuestion): MarketPanels {
  const terms = termsOf(columns, question);
  const { windows } = question;
  const before = windowFigures(columns, windows.before, terms).figures;
  const after = windowFigures(columns, windows.after, terms).figures;
  const panels = {} as MarketPanels;
  for (const id of figureIds) panels[id] = { before: before[id].running, after: after[id].running };
  return panels;
}
