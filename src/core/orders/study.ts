import { welchDifference, type Difference, type Sample } from '../statistics/welch.ts';
import { shopperNew, shopperReturning, type OrderColumns } from './columns.ts';
import { densityOf, type Density } from './density.ts';
import { valueAtShare } from './distribution.ts';
import { peaksOf, type Peak } from './peaks.ts';
import { freedmanDiaconisWidth, silvermanBandwidth, summarise, type ValueSummary } from './summary.ts';
import { passer, tallyOf, type OrderFilter, type Tally } from './tally.ts';

/** Everything the picture of a market's orders says before anything is dragged. */
export interface OrderStudy {
  filter: OrderFilter;
  tally: Tally;
  /** null without orders */
  summary: ValueSummary | null;
  density: Density | null;
  peaks: Peak[];
  /** by the rule of Freedman and Diaconis, minor units */
  suggestedBand: number;
  /** the end of the picture: nearly all orders lie below */
  end: number;
  /** new and returning shoppers under the same filter, where both are known */
  shoppers: { fresh: Sample; returning: Sample; difference: Difference | null } | null;
}

/** First and last day with orders, on the store’s clock; days since 1970-01-01. */
export interface OrderSpan {
  firstDay: number;
  lastDay: number;
}

/** What there is to choose from in a market; first and last day are 0 without any order. */
export interface OrderBounds extends OrderSpan {
  orders: number;
  /** delivery options by number of orders */
  options: { id: string; orders: number }[];
  shoppersKnown: boolean;
}

export function boundsOf({ count, day, option, options, shopper }: OrderColumns): OrderBounds {
  const orders = new Array<number>(options.length).fill(0);
  let [firstDay, lastDay, shoppersKnown] = [count > 0 ? 65_535 : 0, 0, false];
  for (let i = 0; i < count; i++) {
    if (day[i]! < firstDay) firstDay = day[i]!;
    if (day[i]! > lastDay) lastDay = day[i]!;
    if (shopper[i] !== 0) shoppersKnown = true;
    orders[option[i]!]!++;
  }
  return {
    orders: count,
    firstDay,
    lastDay,
    options: options
      .map((id, i) => ({ id, orders: orders[i]! }))
      .filter(({ id }) => id !== '')
      .sort((a, b) => b.orders - a.orders),
    shoppersKnown,
  };
}

/** Looks through a market's orders. Takes tens of milliseconds for a million: meant for a worker. */
export function studyOrders(columns: OrderColumns, filter: OrderFilter): OrderStudy {
  const tally = tallyOf(columns, filter);
  const summary = summarise(tally);
  const end = valueAtShare(tally, 0.985) * 1.04;
  const density = summary && end > 0 ? densityOf(tally, bandwidthFor(summary), end) : null;
  return {
    filter,
    tally,
    summary,
    density,
    peaks: density ? peaksOf(density, tally) : [],
    suggestedBand: summary ? freedmanDiaconisWidth(summary) : 0,
    end,
    shoppers: filter.shopper === 'all' ? compareShoppers(columns, passer(columns, filter)) : null,
  };
}

/** Silverman's rule suits one peak and blurs several; half of it keeps peaks apart that the eye tells apart. */
function bandwidthFor(summary: ValueSummary): number {
  return silvermanBandwidth(summary) / 2;
}

/** In two passes and without sorting. */
function compareShoppers(
  { count, goods, shopper }: OrderColumns,
  passes: (i: number) => boolean,
): OrderStudy['shoppers'] {
  const [counts, sums, squares] = [
    [0, 0, 0],
    [0, 0, 0],
    [0, 0, 0],
  ];
  for (let i = 0; i < count; i++) {
    if (shopper[i] === 0 || !passes(i)) continue;
    counts[shopper[i]!]!++;
    sums[shopper[i]!]! += goods[i]!;
  }
  const averages = sums.map((sum, which) => sum / Math.max(1, counts[which]!));
  for (let i = 0; i < count; i++) {
    if (shopper[i] === 0 || !passes(i)) continue;
    const away = goods[i]! - averages[shopper[i]!]!;
    squares[shopper[i]!]! += away * away;
  }
  const sampleOf = (which: number): Sample => ({
    count: counts[which]!,
    average: averages[which]!,
    deviation: counts[which]! > 1 ? Math.sqrt(squares[which]! / (counts[which]! - 1)) : 0,
  });
  if (counts[shopperNew] === 0 || counts[shopperReturning] === 0) return null;
  const [fresh, returning] = [sampleOf(shopperNew), sampleOf(shopperReturning)];
  return { fresh, returning, difference: welchDifference(returning, fresh) };
}
