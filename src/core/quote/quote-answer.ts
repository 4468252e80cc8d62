import type { CompiledPolicy } from '../evaluation/compile.ts';
import type { EarlierOutcome, Evaluation, MessageState, NoOptions, Totals } from '../evaluation/evaluation.ts';
import type { GoalStanding } from '../offers/standing.ts';
import type { OfferStatus } from '../offers/status.ts';
import type { Unavailability } from '../options/price-before.ts';
import type { Coordinates, Look, OptionKind, PickUpPlace, Policy } from '../policy/types.ts';
import type { Estimate } from '../time/estimate.ts';
import { lookOf } from '../wording/look.ts';
import { optionLabel } from '../wording/option-label.ts';
import { placeIds, type Place } from '../wording/places.ts';
import { renderLead } from '../wording/render.ts';
import { textIn } from '../wording/text-in.ts';

/** Days as counts, moments as ISO 8601. */
export type QuotedEstimate =
  | Extract<Estimate, { unit: 'workingDays' }>
  | { unit: 'hours'; min: number; max: number; leaves: string; earliest: string; latest: string };

export interface QuotedOption {
  id: string;
  kind: OptionKind;
  label: string;
  description: string | null;
  place: { id: string; name: string; address: PickUpPlace['address']; coordinates: Coordinates | null; hours: PickUpPlace['hours'] | null; instructions: string | null } | null;
  /** minor units of the currency, with or without tax as the market shows prices */
  priceBefore: number;
  priceAfter: number;
  tax: number;
  estimate: QuotedEstimate;
  setBy: { offer: string; goal: string }[];
}

/** What a shop is told for a cart: all that it draws strip, pages, cart and checkout from. Amounts in minor units. */
export interface QuoteAnswer {
  market: string | null;
  zone: string | null;
  currency: string | null;
  goodsValue: number | null;
  options: QuotedOption[];
  unavailable: { id: string; reason: Unavailability; label: string; text: string | null }[];
  noOptions: NoOptions | null;
  outOfArea: string | null;
  preselected: string | null;
  earlier: EarlierOutcome | null;
  totals: Totals | null;
  goals: ({ offer: string; status: OfferStatus; goal: string } & Omit<GoalStanding, 'goalId'>)[];
  gifts: { offer: string; goal: string; product: string; quantity: number }[];
  messages: { place: Place; text: string; language: string; state: MessageState }[];
  /** how far the offer that leads is, in percent; null when none leads */
  percent: number | null;
  /** until when the offer that leads holds, ISO 8601; null without an end */
  deadline: string | null;
  look: Look;
}

/**
 * The answer for a cart in a language; texts fall back as wording does.
 *
 * @param asked the language asked for, else the market's first
 */
export function quoteAnswer(compiled: CompiledPolicy, evaluation: Evaluation, asked?: string): QuoteAnswer {
  const market = evaluation.marketId ? compiled.markets.get(evaluation.marketId)?.market : undefined;
  const languages = market?.languages ?? [];
  const language = asked ?? languages[0] ?? 'en';
  const policyOf = (optionId: string) => compiled.policy.options[optionId]!;
  const { lead } = evaluation;
  const deadline = lead?.arguments.deadline ?? null;
  return {
    market: evaluation.marketId,
    zone: evaluation.zoneId,
    currency: evaluation.currency,
    goodsValue: evaluation.measures?.goodsValue ?? null,
    options: evaluation.options.map((option) => ({
      id: option.optionId,
      kind: policyOf(option.optionId).kind,
      label: optionLabel(policyOf(option.optionId), language, languages, option.after === 0),
      description: textIn(policyOf(option.optionId).description, language, languages),
      place: quotedPlace(compiled.policy, policyOf(option.optionId).place, language, languages),
      priceBefore: option.before,
      priceAfter: option.after,
      tax: option.tax,
      estimate: quotedEstimate(option.estimate),
      setBy: option.setBy.map(({ offerId, goalId }) => ({ offer: offerId, goal: goalId })),
    })),
    unavailable: evaluation.unavailable.map(({ optionId, reason, shown }) => ({
      id: optionId,
      reason,
      label: optionLabel(policyOf(optionId), language, languages),
      text: shown ? textIn(policyOf(optionId).whenUnavailable, language, languages) : null,
    })),
    noOptions: evaluation.noOptions,
    outOfArea: evaluation.noOptions === 'noZone' ? textIn(market?.outOfArea, language, languages) : null,
    preselected: evaluation.preselected,
    earlier: evaluation.earlier,
    totals: evaluation.totals,
    goals: evaluation.offers.flatMap((offer) => offer.goals.map(({ goalId, ...standing }) => ({ offer: offer.offerId, status: offer.status, goal: goalId, ...standing }))),
    gifts: evaluation.gifts.map(({ offerId, goalId, product, quantity }) => ({ offer: offerId, goal: goalId, product, quantity })),
    messages: placeIds.flatMap((place) => {
      const rendered = renderLead(compiled, evaluation, place, language);
      return rendered ? [{ place, text: rendered.text, language: rendered.found.language, state: lead!.state }] : [];
    }),
    percent: lead?.arguments.percent ?? null,
    deadline: deadline === null ? null : new Date(deadline).toISOString(),
    look: lookOf(compiled.policy),
  };
}

/** Where it is collected. */
function quotedPlace({ places }: Policy, id: string | undefined, language: string, languages: readonly string[]): QuotedOption['place'] {
  const place = id === undefined ? undefined : places?.[id];
  if (id === undefined || !place) return null;
  const { name, address, coordinates, hours, instructions } = place;
  return { id, name, address, coordinates: coordinates ?? null, hours: hours ?? null, instructions: textIn(instructions, language, languages) };
}

function quotedEstimate(estimate: Estimate): QuotedEstimate {
  if (estimate.unit === 'workingDays') return estimate;
  const moment = (instant: number) => new Date(instant).toISOString();
  const { unit, min, max, starts, earliest, latest } = estimate;
  return { unit, min, max, leaves: moment(starts), earliest: moment(earliest), latest: moment(latest) };
}
