import { measureCart, type Measures } from '../cart/measures.ts';
import { partsOfPrice } from '../charges/price-before.ts';
import { includedTax } from '../money/rounding.ts';
import { rewardedPrice } from '../offers/reward.ts';
import { offerStanding } from '../offers/standing.ts';
import { findPlace } from '../places/find-zone.ts';
import type { CompiledOption, CompiledPolicy, CompiledZone } from './compile.ts';
import type { Evaluation, EvaluationInput, OptionPrice } from './evaluation.ts';
import { leadMessage } from './lead-message.ts';
import { traceEvaluation } from './trace-evaluation.ts';

/**
 * What a shopper with this cart, going there, is offered and told (2-domain §7). Pure and deterministic.
 *
 * @param compiled from `compilePolicy`
 * @param options.trace also build the tree of decisions
 */
export function evaluate(compiled: CompiledPolicy, input: EvaluationInput, options: { trace?: boolean } = {}): Evaluation {
  const place = findPlace(compiled, input.destination);
  const market = place.market;
  const measures = market ? measureCart(input.cart, market.id) : null;
  const evaluation: Evaluation = {
    marketId: market?.id ?? null,
    zoneId: place.found ? place.zone.id : null,
    currency: market?.market.currency ?? null,
    measures,
    options: [],
    unavailable: [],
    noOptions: place.found ? null : place.reason,
    offers: [],
    lead: null,
    preselected: null,
    total: measures?.goodsValue ?? 0,
    trace: null,
  };
  if (place.found && measures) evaluateZone(place.zone, measures, evaluation);
  if (options.trace) evaluation.trace = traceEvaluation(place, input, evaluation);
  return evaluation;
}

/** Options, standings and lead message for given measures in a zone; fills `evaluation`. */
export function evaluateZone(zone: CompiledZone, measures: Measures, evaluation: Evaluation): void {
  const market = zone.market.market;
  evaluation.offers = zone.offers.map((offer) => offerStanding(offer, measures));
  if (measures.items > 0 && !measures.needsDelivery) {
    evaluation.noOptions = 'nothingToDeliver';
    return;
  }
  for (const option of zone.options) {
    const price = priceOption(option, zone, measures);
    if (price) evaluation.options.push(price);
    else evaluation.unavailable.push({ optionId: option.id, reason: 'noLineApplies' });
  }
  if (evaluation.options.length === 0) evaluation.noOptions = zone.options.length === 0 ? 'zoneWithoutOptions' : 'noneApplies';
  const chosen = preselect(evaluation.options, market.preselect);
  evaluation.preselected = chosen?.optionId ?? null;
  evaluation.total = measures.goodsValue + (chosen?.after ?? 0);
  evaluation.lead = leadMessage(zone, measures, evaluation);
}

function priceOption(option: CompiledOption, zone: CompiledZone, measures: Measures): OptionPrice | null {
  const parts = partsOfPrice(option, measures);
  if (!parts) return null;
  const rewarded = rewardedPrice(option.id, parts.base, parts.own, zone.offers, measures);
  return {
    optionId: option.id,
    before: parts.base + parts.own,
    after: rewarded.price,
    tax: rewarded.price === 0 ? 0 : includedTax(rewarded.price, zone.market.deliveryTax),
    estimate: option.option.estimate,
    offerId: rewarded.offerId,
    goalId: rewarded.goalId,
  };
}

function preselect(options: readonly OptionPrice[], habit: 'first' | 'cheapest'): OptionPrice | null {
  let chosen = options[0] ?? null;
  if (habit === 'cheapest') for (const option of options) if (chosen && option.after < chosen.after) chosen = option;
  return chosen;
}
