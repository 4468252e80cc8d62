import { createHash } from 'node:crypto';
import canonicalize from 'canonicalize';
import { evaluatePrepared } from '../../../core/evaluation/evaluate.ts';
import type { Evaluation } from '../../../core/evaluation/evaluation.ts';
import { compareOrder, without, type ComparedOrder } from '../../../core/orders/placed/compare-order.ts';
import { outcomeOf, redeemedOffers } from '../../../core/orders/placed/outcome.ts';
import type { Problem, ProblemField } from '../../../contract/shapes/problem.ts';
import type { PlacedOrder } from '../../../contract/shapes/placed-order.ts';
import type { ArmName } from '../../../core/experiments/arm-name.ts';
import type { AskedCart } from '../../../core/evaluation/asked-cart.ts';
import { problemBody, ProblemError } from '../../http/problem.ts';
import { keptName, rulesFor, rulesOfArm } from '../../experiments/rules-for.ts';
import { preparedCart, refuseUncounted } from '../../quote/asked-cart.ts';
import type { CurrentPolicy } from '../../quote/current-policy.ts';
import { givenQuotes, type GivenQuote } from '../../quote/given-quotes.ts';
import { withoutShopper } from '../../quote/without-shopper.ts';
import { redemptionsFor } from '../../redemptions/uses.ts';
import { shopperHash } from '../shopper-hash.ts';
import type { ReleasesInForce } from './release-at.ts';

/** An order that was reported, with all that is kept of it. */
export interface ReadyOrder {
  order: PlacedOrder;
  hash: Buffer;
  evaluation: Evaluation;
  compared: ComparedOrder;
  /** the release it was compared with; null: it was placed before the first */
  release: number | null;
  shopper: Buffer | null;
  /** of an experiment, that the shopper belonged to; '' for none */
  arm: ArmName | '';
  /** what was asked, without who asked */
  asked: AskedCart;
  offers: string[];
  /** those of them that may have been reserved */
  reservable: string[];
}

/** Of what was reported, so that the same is told from something else under the same number. */
export const reportHash = (order: PlacedOrder): Buffer =>
  createHash('sha256').update(canonicalize(order)!).digest().subarray(0, 16);

/** Each order as the rules under which it was placed see it, in its place; or why it cannot be taken. */
export async function comparedOrders(
  orders: readonly PlacedOrder[],
  releases: ReleasesInForce,
): Promise<(ReadyOrder | Problem)[]> {
  const quotes = await givenQuotes(orders.flatMap(({ quote }) => quote ?? []));
  const results: (ReadyOrder | Problem)[] = [];
  for (const order of orders) {
    try {
      results.push(await comparedOne(order, quotes, releases));
    } catch (error) {
      if (!(error instanceof ProblemError)) throw error;
      results.push(problemBody(error.problem));
    }
  }
  return results;
}

/** Clocks of shops may be so far ahead. ms */
const mostAhead = 3_600_000;

const notTaken = 'Nothing of it was kept. The fields named are wrong.';

/** What was ordered, under which rules. */
interface Ordered {
  asked: AskedCart;
  rules: CurrentPolicy;
  /** null: it was placed before the first release */
  release: number | null;
  instant: number;
  arm: ArmName | '';
}

async function comparedOne(
  order: PlacedOrder,
  quotes: ReadonlyMap<string, GivenQuote>,
  releases: ReleasesInForce,
): Promise<ReadyOrder> {
  const instant = Date.parse(order.placedAt);
  if (!(instant >= 0 && instant <= Date.now() + mostAhead))
    throw refused([{ pointer: '/placedAt', message: 'is no moment from 1970 to now' }]);
  const quote = order.quote === undefined ? null : quotes.get(order.quote);
  if (quote === undefined)
    throw refused([
      { pointer: '/quote', message: `there is no signed quote "${order.quote}", or it is over for long` },
    ]);
  const shopper = (await shopperHash(order.shopperKey)) ?? quote?.shopper ?? null;
  const ordered = await orderedUnder(order, instant, quote, releases);
  const { asked, rules, release, arm } = ordered;
  const evaluateWith = async (redemptions: AskedCart['redemptions']): Promise<Evaluation> => {
    try {
      const prepared = await preparedCart(rules, asked, ordered.instant, redemptions);
      const evaluation = evaluatePrepared(prepared);
      refuseUncounted(evaluation, prepared);
      return evaluation;
    } catch (error) {
      throw inCart(error);
    }
  };
  const evaluation = await evaluateWith(asked.redemptions);
  if (evaluation.marketId === null || evaluation.currency === null)
    throw refused([{ pointer: '/cart/destination', message: 'no market sells there: name the market it was sold in' }]);
  // What a quote promised is what counts: it knew who asked, and how often offers were used.
  let outcome = quote?.outcome ?? outcomeOf(evaluation);
  let compared = compareOrder(outcome, order);
  const gaveLimited = redeemedOffers(outcome).some((offer) => rules.limited.has(offer));
  if (!quote && compared.verdict !== 'agrees' && gaveLimited) {
    // Counts are asked for only where they may tell why.
    outcome = outcomeOf(await evaluateWith(await redemptionsFor(rules.limited, shopper, asked.redemptions)));
    compared = compareOrder(outcome, order);
  }
  const offers = order.offers ?? redeemedOffers(outcome, order.option);
  return {
    order,
    hash: reportHash(order),
    evaluation,
    compared: release === null ? without('notCompared', 'beforeFirstRelease') : compared,
    release,
    shopper,
    arm,
    asked: withoutShopper(asked),
    offers,
    reservable: offers.filter((offer) => rules.limited.has(offer)),
  };
}

async function orderedUnder(
  { cart, shopperKey }: PlacedOrder,
  instant: number,
  quote: GivenQuote | null,
  { at, numbered, current }: ReleasesInForce,
): Promise<Ordered> {
  if (quote) {
    const { asked, release, arm } = quote;
    const { rules } = rulesOfArm((await numbered(release)) ?? current, arm);
    return { asked, rules, release, instant: quote.instant, arm };
  }
  const everybody = await at(instant);
  // Before the first release there were no experiments.
  const { rules, arm } = everybody ? rulesFor(everybody, cart!, shopperKey, instant) : { rules: current, arm: null };
  return { asked: cart!, rules, release: everybody?.release ?? null, instant, arm: keptName(arm) };
}

/** What is wrong with a cart, as wrong with the order that brings it along. */
function inCart(error: unknown): unknown {
  if (!(error instanceof ProblemError)) return error;
  return refused((error.problem.fields ?? []).map(({ pointer, message }) => ({ pointer: `/cart${pointer}`, message })));
}

const refused = (fields: ProblemField[]): ProblemError =>
  new ProblemError({ status: 422, title: 'The order cannot be taken', detail: notTaken, fields });
