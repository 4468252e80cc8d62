import { likelihoodAt, type Response } from '../orders/response.ts';
import type { Counterfactual } from './counterfactual.ts';

/** A likelihood that is assumed, with the range in which it may be; shares from 0 to 1. */
export interface Assumed {
  likely: number;
  low: number;
  high: number;
}

/** What is assumed when a goal is moved, beside the response. */
export interface MoveTerms {
  response: Response;
  /** of orders that lose free delivery, those that stay away */
  lost: Assumed;
  /** for every hundred orders that gain it, how many come that would not have come */
  won: Assumed;
  /** what delivery costs the shop, minor units of an order; null: what shoppers pay below every goal */
  ownCost: number | null;
}

/** What moving a goal does to a month. Expectations, not rounded; money in minor units. */
export interface MoveOutcome {
  /** margin and delivery paid less the shop’s own cost of delivery, candidate minus present */
  net: number;
  /** between which it lies, whatever of the assumptions’ ranges is true, unless the period was an unusual one (90 %) */
  low: number;
  high: number;
  /** of the net: margin on what is added to orders or no more added, and on orders lost and won */
  margin: number;
  /** of the net: delivery that is paid, or no more */
  delivery: number;
  /** of the net: the shop’s own cost of delivery of orders lost and won, as what it saves */
  saved: number;
  /** orders that lose free delivery, and that gain it */
  losing: number;
  gaining: number;
  /** the share of those that would have to stay away for the net to be 0; null: no share would do that, or none loses anything */
  breakEvenLost: number | null;
  /** how many would have to come for each that gains it; null likewise */
  breakEvenWon: number | null;
  /** share of orders that reach the candidate */
  reaching: number;
}

/** 90 % of a normal distribution lie within so many deviations. */
const deviations = 1.6448536269514722;

/** One set of likelihoods. */
interface At {
  response: Response;
  lost: number;
  won: number;
}

/**
 * What a month brings with a candidate goal in place of the present one (2-domain §10).
 *
 * An order of value u that reaches the goal pays nothing for delivery; one within reach adds up to the goal with the response’s
 * likelihood, and else pays p(u). A shopper who would add for one goal would add for another that is as likely to be reached:
 * so an order loses free delivery with the likelihood by which the candidate is reached less, and gains it with that by which
 * it is reached more. Of those that lose it a share stays away; those that gain it win others like them.
 *
 * The band goes from the lowest to the highest net over the ends of the response’s spread, of lost and of won, and beyond these
 * by chance: that of a compound Poisson sum, orders coming in by themselves.
 *
 * @param months length of the period that the orders are of @param present minor units; null: no goal @param candidate likewise
 */
export function moveOutcome(
  orders: Counterfactual,
  months: number,
  present: number | null,
  candidate: number | null,
  terms: MoveTerms,
): MoveOutcome {
  const { response, lost, won } = terms;
  const likely = sumsOf(orders, present, candidate, terms, { response, lost: lost.likely, won: won.likely });
  const ends = [1 - response.spread, 1 + response.spread].flatMap((factor) => {
    const scaled = { ...response, near: response.near * factor, far: response.far * factor };
    const without = sumsOf(orders, present, candidate, terms, { response: scaled, lost: 0, won: 0 });
    return [lost.low, lost.high].flatMap((share) =>
      [won.low, won.high].map((more) => without.net - share * without.losingNet + more * without.gainingNet),
    );
  });
  const chance = deviations * Math.sqrt(likely.squares);
  const { net, losing, gaining, losingNet, gainingNet } = likely;
  const withoutLost = net + lost.likely * losingNet;
  const withoutWon = net - won.likely * gainingNet;
  return {
    net: net / months,
    low: (Math.min(net, ...ends) - chance) / months,
    high: (Math.max(net, ...ends) + chance) / months,
    margin: likely.margin / months,
    delivery: likely.delivery / months,
    saved: likely.saved / months,
    losing: losing / months,
    gaining: gaining / months,
    breakEvenLost: shareThat(withoutLost, losingNet),
    breakEvenWon: shareThat(-withoutWon, gainingNet),
    reaching: likely.all === 0 ? 0 : likely.reaching / likely.all,
  };
}

/** The share of an amount that makes up for another; null where none between 0 and all of it does. */
function shareThat(amount: number, of: number): number | null {
  if (of <= 0 || amount < 0 || amount > of) return null;
  return amount / of;
}

interface Sums {
  net: number;
  margin: number;
  delivery: number;
  saved: number;
  losing: number;
  gaining: number;
  /** what those that lose free delivery bring if all stay, and those won if one comes for each that gains it */
  losingNet: number;
  gainingNet: number;
  squares: number;
  reaching: number;
  all: number;
}

function sumsOf(
  { values, orders, prices, weights }: Counterfactual,
  present: number | null,
  candidate: number | null,
  { response: { margin }, ownCost }: MoveTerms,
  { response, lost, won }: At,
): Sums {
  const sums: Sums = {
    net: 0,
    margin: 0,
    delivery: 0,
    saved: 0,
    losing: 0,
    gaining: 0,
    losingNet: 0,
    gainingNet: 0,
    squares: 0,
    reaching: 0,
    all: 0,
  };
  for (let i = 0; i < values.length; i++) {
    const value = values[i]!;
    const price = prices[i]!;
    const count = orders[i]!;
    const cost = ownCost ?? price;
    const before = reachedBy(response, present, value);
    const after = reachedBy(response, candidate, value);
    sums.all += count;
    sums.reaching += count * after;
    const both = Math.min(before, after);
    const losing = before - both;
    const gaining = after - both;
    const from = Math.max(value, present ?? 0);
    const to = Math.max(value, candidate ?? 0);
    // Of an order: what changes of its margin, of what is paid, and of what delivery costs the shop.
    const addedBoth = margin * (to - from);
    const paysNet = margin * value + price - cost;
    const freeNet = margin * to - cost;
    const ofMargin =
      both * addedBoth +
      losing * (margin * ((1 - lost) * value - from)) +
      gaining * (margin * ((1 + won) * to - value));
    const ofDelivery = losing * (1 - lost) * price - gaining * price;
    const ofCost = losing * lost * cost - gaining * won * cost;
    const one = ofMargin + ofDelivery + ofCost;
    sums.net += count * one;
    sums.margin += count * ofMargin;
    sums.delivery += count * ofDelivery;
    sums.saved += count * ofCost;
    sums.losing += count * losing;
    sums.gaining += count * gaining;
    sums.losingNet += count * losing * paysNet;
    sums.gainingNet += count * gaining * freeNet;
    const wasFree = margin * from - cost;
    sums.squares +=
      count *
      weights[i]! *
      (both * addedBoth ** 2 +
        losing * ((1 - lost) * (paysNet - wasFree) ** 2 + lost * wasFree ** 2) +
        gaining * ((freeNet - paysNet) ** 2 + won * freeNet ** 2));
  }
  return sums;
}

/** Share of the orders of a value that reach a goal, by themselves or by adding. */
function reachedBy(response: Response, goal: number | null, value: number): number {
  if (goal === null) return 0;
  return value >= goal ? 1 : Math.min(1, likelihoodAt(response, goal, value));
}
