import { indexFrom } from '../orders/distribution.ts';
import type { Response } from '../orders/response.ts';
import type { Counterfactual } from './counterfactual.ts';
import { reachOf } from './likelihood.ts';

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

/** A goal that is moved, and perhaps one that is added above it. Minor units or pieces; null: no goal */
export interface Move {
  present: number | null;
  candidate: number | null;
  /** a further goal above the candidate, with a reward of its own (response.secondReward) */
  second?: number | null;
}

/** What moving a goal does to a month. Expectations, not rounded; money in minor units. */
export interface MoveOutcome extends Move {
  /** margin and delivery paid less the shop’s own cost of delivery, candidate minus present */
  net: number;
  /** between which it lies, whatever of the assumptions’ ranges is true, unless the period was an unusual one (90 %) */
  low: number;
  high: number;
  /** the same without chance */
  ends: [low: number, high: number];
  /** of the net: margin on what is added to orders or no more added, and on orders lost and won */
  margin: number;
  /** of the net: delivery that is paid, or no more, and what a second goal gives */
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
 * An order of value u that reaches the goal pays nothing for delivery (or what the options cost that the goal does not make free); one within reach adds up to the goal with the response’s
 * likelihood, and else pays p(u). A shopper who would add for one goal would add for another that is as likely to be reached:
 * so an order loses free delivery with the likelihood by which the candidate is reached less, and gains it with that by which
 * it is reached more. Of those that lose it a share stays away; those that gain it win others like them. Who has reached the
 * candidate may add for a second goal, whose reward goes to all who reach that.
 *
 * The band goes from the lowest to the highest net over the ends of the response’s spread, of lost and of won, and beyond these
 * by chance: that of a compound Poisson sum, orders coming in by themselves. Of how the counterfactual was found, chance knows
 * nothing here (`chanceOf` does).
 *
 * @param parts orders of times with a goal of their own each, together the period @param months length of the period
 */
export function moveOutcome(
  parts: readonly Counterfactual[],
  months: number,
  move: Move,
  terms: MoveTerms,
): MoveOutcome {
  const { response, lost, won } = terms;
  const likely = sumsOf(parts, move, terms, { response, lost: lost.likely, won: won.likely });
  const factors = response.spread === 0 ? [1] : [1 - response.spread, 1 + response.spread];
  const nets = factors.flatMap((factor) => {
    const scaled = { ...response, near: response.near * factor, far: response.far * factor };
    const without = sumsOf(parts, move, terms, { response: scaled, lost: 0, won: 0 });
    return [lost.low, lost.high].flatMap((share) =>
      [won.low, won.high].map((more) => without.net - share * without.losingNet + more * without.gainingNet),
    );
  });
  const { net, losing, gaining, losingNet, gainingNet } = likely;
  const ends: MoveOutcome['ends'] = [Math.min(net, ...nets) / months, Math.max(net, ...nets) / months];
  const chance = (deviations * Math.sqrt(likely.squares)) / months;
  const all = parts.reduce((sum, { cumulative }) => sum + (cumulative.at(-1) ?? 0), 0);
  return {
    ...move,
    net: net / months,
    low: ends[0] - chance,
    high: ends[1] + chance,
    ends,
    margin: likely.margin / months,
    delivery: likely.delivery / months,
    saved: likely.saved / months,
    losing: losing / months,
    gaining: gaining / months,
    breakEvenLost: shareThat(net + lost.likely * losingNet, losingNet),
    breakEvenWon: shareThat(-(net - won.likely * gainingNet), gainingNet),
    reaching: all === 0 ? 0 : likely.reaching / all,
  };
}

/** The net alone, in the whole period and not of a month. */
export const netOfMove = (parts: readonly Counterfactual[], move: Move, terms: MoveTerms): number =>
  sumsOf(parts, move, terms, { response: terms.response, lost: terms.lost.likely, won: terms.won.likely }).net;

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
}

function sumsOf(parts: readonly Counterfactual[], move: Move, terms: MoveTerms, at: At): Sums {
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
  };
  for (const part of parts) addSums(sums, part, move, terms, at);
  return sums;
}

/** Values at which a move does nothing are not looked at: below every reach, and from where every goal is reached anyhow. */
function touched(
  { measure, values }: Counterfactual,
  { present, candidate, second }: Move,
  reach: number,
): [number, number] {
  const goals = [present, candidate].filter((goal) => goal !== null);
  if (goals.length === 0) return [0, 0];
  const lowest = Math.min(...goals);
  const from = indexFrom({ values }, measure === 'items' ? lowest - Math.max(1, lowest * reach) : lowest * (1 - reach));
  const endless = goals.length === 1 || (second ?? null) !== null;
  return [from, endless ? values.length : indexFrom({ values }, Math.max(...goals))];
}

/** In plain numbers and without calls that make anything: this is gone through for each candidate, and for each drawing anew. */
function addSums(sums: Sums, part: Counterfactual, move: Move, terms: MoveTerms, at: At): void {
  const { values, orders, cumulative, goods, unit, prices, weights, kept } = part;
  const { margin, secondReward } = terms.response;
  const { ownCost } = terms;
  const { present, candidate } = move;
  const second = candidate === null ? null : (move.second ?? null);
  const { response, lost, won } = at;
  const [from, to] = touched(part, move, response.reach);
  const reachPresent = reachOf(part.measure, response, present);
  const reachCandidate = reachOf(part.measure, response, candidate);
  const reachSecond = reachOf(part.measure, response, second);
  let [net, ofMargins, ofDeliveries, ofCosts, reaching] = [0, 0, 0, 0, 0];
  let [allLosing, allGaining, losingNet, gainingNet, squares] = [0, 0, 0, 0, 0];
  for (let i = from; i < to; i++) {
    const value = values[i]!;
    const price = prices[i]!;
    const count = orders[i]!;
    const cost = ownCost ?? price;
    const before = reachPresent(value);
    const after = reachCandidate(value);
    const both = before < after ? before : after;
    const losing = before - both;
    const gaining = after - both;
    const worth = goods[i]!;
    const wasWorth = present !== null && present > value ? worth + unit * (present - value) : worth;
    const lifted = candidate !== null && candidate > value;
    const isWorth = lifted ? worth + unit * (candidate - value) : worth;
    // Who has reached the candidate goes on to the second with this likelihood, and brings this then.
    let onward = 0;
    let brought = 0;
    if (second !== null) {
      const atCandidate = lifted ? candidate : value;
      onward = reachSecond(atCandidate);
      brought = (second > atCandidate ? margin * unit * (second - atCandidate) : 0) - secondReward;
    }
    // Of an order: what changes of its margin, of what is paid, and of what delivery costs the shop.
    const addedBoth = margin * (isWorth - wasWorth);
    const paysNet = margin * worth + price - cost;
    const freeNet = margin * isWorth + kept - cost;
    const wasFree = margin * wasWorth + kept - cost;
    const ofSecond = (after + gaining * won) * onward;
    const ofMargin =
      both * addedBoth +
      losing * margin * ((1 - lost) * worth - wasWorth) +
      gaining * margin * ((1 + won) * isWorth - worth) +
      ofSecond * (brought + secondReward);
    const ofDelivery =
      losing * ((1 - lost) * price - kept) + gaining * ((1 + won) * kept - price) - ofSecond * secondReward;
    const ofCost = losing * lost * cost - gaining * won * cost;
    net += count * (ofMargin + ofDelivery + ofCost);
    ofMargins += count * ofMargin;
    ofDeliveries += count * ofDelivery;
    ofCosts += count * ofCost;
    reaching += count * after;
    allLosing += count * losing;
    allGaining += count * gaining;
    losingNet += count * losing * paysNet;
    gainingNet += count * gaining * (freeNet + onward * brought);
    const gained = freeNet - paysNet;
    const stayed = paysNet - wasFree;
    squares +=
      count *
      weights[i]! *
      (both * addedBoth * addedBoth +
        losing * ((1 - lost) * stayed * stayed + lost * wasFree * wasFree) +
        gaining * (gained * gained + won * freeNet * freeNet) +
        // Who goes on to the second brings that beside.
        onward *
          brought *
          (both * (2 * addedBoth + brought) + gaining * (2 * gained + brought + won * (2 * freeNet + brought))));
  }
  sums.net += net;
  sums.margin += ofMargins;
  sums.delivery += ofDeliveries;
  sums.saved += ofCosts;
  // Beyond what is looked at all reach the candidate, if there is one.
  const beyond = candidate === null ? 0 : (cumulative.at(-1) ?? 0) - (to > 0 ? cumulative[to - 1]! : 0);
  sums.reaching += reaching + beyond;
  sums.losing += allLosing;
  sums.gaining += allGaining;
  sums.losingNet += losingNet;
  sums.gainingNet += gainingNet;
  sums.squares += squares;
}
