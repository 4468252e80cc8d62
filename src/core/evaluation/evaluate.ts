import type { HypotheticalOrder } from '../cart/hypothetical-order.ts';
import type { MeasuredCart } from '../cart/measures.ts';
import { nothingOff } from '../offers/goods-rewards.ts';
import { paidFor } from '../options/price-before.ts';
import { estimateAt } from '../time/estimate.ts';
import { localTime } from '../time/time-zone-clock.ts';
import type { CompiledMarket, CompiledPolicy, CompiledZone } from './compile.ts';
import { hypotheticalContext, type Situation, type ZoneContext } from './context.ts';
import { earlierOutcome } from './earlier-choice.ts';
import type { Evaluation, EvaluationInput, NoOptions, OptionPrice } from './evaluation.ts';
import { speakers } from './lead-message.ts';
import { outcomeOf, type Outcome } from './outcome.ts';
import { prepare, type PreparedCase } from './prepare.ts';
import { pricesBefore } from './price-options.ts';
import { goodsTaxOf, taxOf, totalsOf } from './totals.ts';
import { traceEvaluation } from './trace/trace-evaluation.ts';

/**
 * What a shopper with this cart, going there at that moment, is offered and told (2-domain §7). Pure and deterministic:
 * the same input gives the same answer, wherever and whenever it is asked.
 *
 * @param compiled from `compilePolicy`
 * @param options.trace also build the tree of decisions
 */
export function evaluate(
  compiled: CompiledPolicy,
  input: EvaluationInput,
  options: { trace?: boolean } = {},
): Evaluation {
  return evaluatePrepared(prepare(compiled, input), options);
}

/** The same for who has been prepared. */
export function evaluatePrepared(prepared: PreparedCase, options: { trace?: boolean } = {}): Evaluation {
  const { input, found: place, cart, context } = prepared;
  const evaluation = emptyEvaluation(place.market, place.found ? place.zone : null);
  if (place.found) evaluation.zoneBy = place.by;
  else evaluation.noOptions = place.reason;
  if (cart) {
    evaluation.measures = cart.measures;
    evaluation.cart = cart;
    if (context) evaluateZone(context, evaluation, input);
    else evaluation.totals = totalsOf(cart, nothingOff, goodsTaxOf(cart, nothingOff), null);
  }
  if (input.earlier) evaluation.earlier = earlierOutcome(input.earlier, evaluation);
  if (options.trace) evaluation.trace = traceEvaluation(prepared, evaluation);
  return evaluation;
}

/** What a shopper with a hypothetical order is offered and told in a zone. */
export const evaluateHypothetical = (zone: CompiledZone, order: HypotheticalOrder, situation: Situation): Evaluation =>
  evaluateContext(hypotheticalContext(zone, order, situation));

/** The same of whatever stands in a zone. */
export function evaluateContext(context: ZoneContext): Evaluation {
  const { zone, facts } = context;
  const evaluation = emptyEvaluation(zone.market, zone);
  evaluation.measures = facts.cart.measures;
  evaluation.cart = facts.cart;
  evaluateZone(context, evaluation, {});
  return evaluation;
}

function emptyEvaluation(market: CompiledMarket | null, zone: CompiledZone | null): Evaluation {
  return {
    marketId: market?.id ?? null,
    zoneId: zone?.id ?? null,
    zoneBy: null,
    currency: market?.market.currency ?? null,
    measures: null,
    cart: null,
    options: [],
    unavailable: [],
    noOptions: null,
    offers: [],
    goodsRewarded: nothingOff,
    gifts: [],
    speakers: [],
    lead: null,
    preselected: null,
    earlier: null,
    totals: null,
    trace: null,
  };
}

/** Options, standings, lead message and totals in a zone; fills `evaluation`. */
function evaluateZone(
  context: ZoneContext,
  evaluation: Evaluation,
  { earlier }: Pick<EvaluationInput, 'earlier'>,
): void {
  const { zone, facts, standings, active } = context;
  const { cart } = facts;
  evaluation.offers = standings;
  evaluation.noOptions = hindrance(cart, zone);
  const before = evaluation.noOptions === null ? pricesBefore(context) : [];
  const now = outcomeOf(context, before, active);
  fillOptions(now, context, evaluation);
  if (evaluation.noOptions === null && evaluation.options.length === 0) evaluation.noOptions = 'noneApplies';
  const chosen =
    evaluation.options.find(({ optionId }) => optionId === earlier?.option) ??
    preselect(evaluation.options, zone.market.market.preselect);
  evaluation.preselected = chosen?.optionId ?? null;
  evaluation.goodsRewarded = now.goods;
  evaluation.gifts = now.gifts;
  evaluation.totals = totalsOf(cart, now.goods, goodsTaxOf(cart, now.goods), chosen);
  evaluation.speakers = speakers(context, { before, now, preselected: evaluation.preselected });
  evaluation.lead = evaluation.speakers[0] ?? null;
}

/** Why no option can be chosen whatever it costs, if so. */
function hindrance({ measures }: MeasuredCart, zone: CompiledZone): NoOptions | null {
  if (measures.barred.length > 0) return 'goodsBarred';
  if (measures.items > 0 && !measures.needsDelivery) return 'nothingToDeliver';
  return zone.options.length === 0 ? 'zoneWithoutOptions' : null;
}

function fillOptions({ priced, paid }: Outcome, { facts }: ZoneContext, evaluation: Evaluation): void {
  const { terms, taxRates, measures } = facts.cart;
  const now = localTime(terms.clocks.store, facts.instant);
  for (let index = 0; index < priced.length; index++) {
    const entry = priced[index]!;
    const optionId = entry.option.id;
    if ('unavailable' in entry) {
      evaluation.unavailable.push({
        optionId,
        reason: entry.unavailable,
        shown: entry.option.option.whenUnavailable !== undefined,
      });
      continue;
    }
    const after = paid[index]!;
    evaluation.options.push({
      optionId,
      before: paidFor(entry.before, entry.option.cashIncrement),
      after,
      tax: taxOf(after, taxRates.delivery, terms.shownWithTax),
      estimate: estimateAt(entry.option.estimate, now, facts.instant, measures.preparationDays),
      setBy: entry.after.setBy,
    });
  }
}

function preselect(options: readonly OptionPrice[], habit: 'first' | 'cheapest'): OptionPrice | null {
  let chosen = options[0] ?? null;
  if (habit === 'cheapest') for (const option of options) if (chosen && option.after < chosen.after) chosen = option;
  return chosen;
}
