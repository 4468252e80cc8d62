import type { CompiledPolicy } from '../evaluation/compile.ts';
import type {
  EarlierOutcome,
  Evaluation,
  MessageState,
  NoOptions,
  OptionPrice,
  Totals,
} from '../evaluation/evaluation.ts';
import {
  goodsTaxByRate,
  goodsTaxOf,
  lineAfterRewards,
  taxRateInWords,
  taxRateOfLine,
  taxByRate,
  totalsOf,
} from '../evaluation/totals.ts';
import { shownBasis } from '../cart/basis.ts';
import { lineValue, unitPriceOf } from '../cart/line-values.ts';
import type { GoalStanding } from '../offers/standing.ts';
import type { OfferStatus } from '../offers/status.ts';
import type { Unavailability } from '../options/price-before.ts';
import type { Coordinates, Look, OptionKind, PickUpPlace, Policy } from '../policy/types.ts';
import type { Estimate } from '../time/estimate.ts';
import { lookOf } from '../wording/look/look.ts';
import { optionLabel } from '../wording/option-label.ts';
import { placeIds, type Place } from '../wording/places.ts';
import { renderPlaces } from '../wording/render.ts';
import { pictureAddress } from '../options/picture-address.ts';
import { quotedQuestions, type QuotedQuestion } from './quoted-questions.ts';
import { textIn } from '../wording/text-in.ts';

/** Days as counts, moments as ISO 8601. */
type QuotedEstimate =
  | Extract<Estimate, { unit: 'workingDays' }>
  | { unit: 'hours'; min: number; max: number; leaves: string; earliest: string; latest: string };

interface QuotedOption {
  id: string;
  kind: OptionKind;
  label: string;
  description: string | null;
  place: {
    id: string;
    name: string;
    address: PickUpPlace['address'];
    coordinates: Coordinates | null;
    hours: PickUpPlace['hours'] | null;
    instructions: string | null;
  } | null;
  /** minor units of the currency, with or without tax as the market shows prices */
  priceBefore: number;
  priceAfter: number;
  tax: number;
  estimate: QuotedEstimate;
  /** what the goods wait for before they leave: the slowest of them, and its working days; null: nothing */
  waitsFor: { product: string; days: number } | null;
  /** what it asks of whoever takes it */
  questions: QuotedQuestion[];
  /** null: it has none */
  picture: { address: string; alt: string } | null;
  /** what the order comes to when this option is taken */
  totals: QuotedTotals;
  setBy: { offer: string; goal: string }[];
}

/** `shown`: whether shoppers are to see that it exists, with its text */
interface QuotedUnavailable {
  id: string;
  reason: Unavailability;
  label: string;
  shown: boolean;
  text: string | null;
}

/** What an order comes to, with its tax by rate (a decimal percentage). */
interface QuotedTotals extends Totals {
  taxes: readonly { rate: string; tax: number }[];
}

/** A line as it was priced; those of one product are one. Minor units, with or without tax as the market shows prices. */
interface QuotedLine {
  product: string;
  sku: string;
  quantity: number;
  unitPrice: number;
  value: number;
  afterDiscounts: number;
  /** after what offers take off the goods */
  afterRewards: number;
  taxRate: string;
  tax: number;
}

/** Who is read in a place, and how far the offer is; what a bar beside the text shows. */
interface QuotedMessage {
  place: Place;
  text: string;
  language: string;
  state: MessageState;
  /** who speaks: an offer with one of its goals, or a notice */
  offer: string | null;
  goal: string | null;
  notice: string | null;
  /** how far the goal is; null: a notice has none, and no bar stands beside it */
  percent: number | null;
  /** until when the offer holds, or what the notice counts down to, ISO 8601; null without an end */
  deadline: string | null;
}

/** What a shop is told for a cart: all that it draws strip, pages, cart and checkout from. Amounts in minor units. */
export interface QuoteAnswer {
  market: string | null;
  zone: string | null;
  currency: string | null;
  /** whether prices, values and totals include tax; null without a market */
  pricesIncludeTax: boolean | null;
  lines: QuotedLine[];
  goodsValue: number | null;
  options: QuotedOption[];
  unavailable: QuotedUnavailable[];
  noOptions: NoOptions | null;
  outOfArea: string | null;
  preselected: string | null;
  earlier: EarlierOutcome | null;
  totals: QuotedTotals | null;
  goals: ({ offer: string; status: OfferStatus; goal: string } & Omit<GoalStanding, 'goalId'>)[];
  gifts: { offer: string; goal: string; product: string; quantity: number }[];
  /** which offers took something off the goods */
  goodsRewards: { offer: string; goal: string }[];
  messages: QuotedMessage[];
  /** of the first of the messages: which offer leads, how far it is in percent, and until when it holds; null when nothing is said */
  lead: Pick<QuotedMessage, 'offer' | 'goal' | 'notice' | 'state'> | null;
  percent: number | null;
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
  const messages = messagesOf(compiled, evaluation, language);
  const { cart, goodsRewarded } = evaluation;
  const goodsTax = cart ? goodsTaxOf(cart, goodsRewarded) : 0;
  const goodsTaxes = cart ? goodsTaxByRate(cart, goodsRewarded) : [];
  const totals = (chosen: OptionPrice | null): QuotedTotals | null => {
    if (!cart) return null;
    const { goods, goodsReward, delivery, tax, toPay } = totalsOf(cart, goodsRewarded, goodsTax, chosen);
    return { goods, goodsReward, delivery, tax, toPay, taxes: taxByRate(cart, goodsTaxes, chosen) };
  };
  const telling = { policy: compiled.policy, language, languages, waitsFor: waitsFor(evaluation) };
  // Fields are named one by one in all of this: copies with more beside them took as long as half of the work.
  const { lead, percent, deadline } = leadOf(messages);
  return {
    market: evaluation.marketId,
    zone: evaluation.zoneId,
    currency: evaluation.currency,
    pricesIncludeTax: cart?.terms.shownWithTax ?? null,
    lines: linesOf(evaluation),
    goodsValue: evaluation.measures?.goodsValue ?? null,
    options: evaluation.options.map((option) => quotedOption(option, telling, totals(option)!)),
    unavailable: evaluation.unavailable.map((one) => quotedUnavailable(one, telling)),
    noOptions: evaluation.noOptions,
    outOfArea: evaluation.noOptions === 'noZone' ? textIn(market?.outOfArea, language, languages) : null,
    preselected: evaluation.preselected,
    earlier: evaluation.earlier,
    totals: totals(evaluation.options.find(({ optionId }) => optionId === evaluation.preselected) ?? null),
    goals: evaluation.offers.flatMap((offer) =>
      offer.goals.map(({ goalId, measure, target, counted, remaining, remainingAtBest, percent, reached, byCode }) => ({
        offer: offer.offerId,
        status: offer.status,
        goal: goalId,
        measure,
        target,
        counted,
        remaining,
        remainingAtBest,
        percent,
        reached,
        byCode,
      })),
    ),
    gifts: evaluation.gifts.map(({ offerId, goalId, product, quantity }) => ({
      offer: offerId,
      goal: goalId,
      product,
      quantity,
    })),
    goodsRewards: goodsRewarded.setBy.map(({ offerId, goalId }) => ({ offer: offerId, goal: goalId })),
    messages,
    lead,
    percent,
    deadline,
    look: lookOf(compiled.policy),
  };
}

function waitsFor({ measures }: Evaluation): QuotedOption['waitsFor'] {
  return measures?.slowest ? { product: measures.slowest.id, days: measures.preparationDays } : null;
}

/** Of whom is read first. */
function leadOf([first]: readonly QuotedMessage[]): Pick<QuoteAnswer, 'lead' | 'percent' | 'deadline'> {
  if (!first) return { lead: null, percent: null, deadline: null };
  const { offer, goal, notice, state, percent, deadline } = first;
  return { lead: { offer, goal, notice, state }, percent, deadline };
}

/** What options are told with. */
interface Telling {
  policy: Policy;
  language: string;
  /** of the market */
  languages: readonly string[];
  waitsFor: QuotedOption['waitsFor'];
}

function quotedOption(
  { optionId, before, after, tax, estimate, setBy }: OptionPrice,
  { policy, language, languages, waitsFor }: Telling,
  totals: QuotedTotals,
): QuotedOption {
  const option = policy.options[optionId]!;
  return {
    id: optionId,
    kind: option.kind,
    label: optionLabel(option, language, languages, after === 0),
    description: textIn(option.description, language, languages),
    place: quotedPlace(policy, option.place, language, languages),
    priceBefore: before,
    priceAfter: after,
    tax,
    estimate: quotedEstimate(estimate),
    waitsFor,
    questions: quotedQuestions(option, language, languages),
    picture: option.picture
      ? { address: pictureAddress(option.picture.image), alt: textIn(option.picture.alt, language, languages) ?? '' }
      : null,
    totals,
    setBy: setBy.map(({ offerId, goalId }) => ({ offer: offerId, goal: goalId })),
  };
}

function quotedUnavailable(
  { optionId, reason, shown }: Evaluation['unavailable'][number],
  { policy, language, languages }: Telling,
): QuotedUnavailable {
  const option = policy.options[optionId]!;
  return {
    id: optionId,
    reason,
    label: optionLabel(option, language, languages),
    shown,
    text: shown ? textIn(option.whenUnavailable, language, languages) : null,
  };
}

/** What is read in each place, by whoever is the first to have a text there. */
function messagesOf(compiled: CompiledPolicy, evaluation: Evaluation, language: string): QuotedMessage[] {
  return renderPlaces(compiled, evaluation, placeIds, language).map(({ place, text, found, message }) => {
    const { speakerId, goalId, state, arguments: values } = message;
    const isNotice = goalId === null;
    const deadline = values.deadline === null ? null : new Date(values.deadline).toISOString();
    return {
      place,
      text,
      language: found.language,
      state,
      offer: isNotice ? null : speakerId,
      goal: goalId,
      notice: isNotice ? speakerId : null,
      percent: isNotice ? null : values.percent,
      deadline,
    };
  });
}

function linesOf({ cart, goodsRewarded }: Evaluation): QuotedLine[] {
  if (!cart) return [];
  return cart.lines.map(({ product, quantity }, index): QuotedLine => {
    const unitPrice = unitPriceOf(cart, index);
    const { value: afterRewards, tax } = lineAfterRewards(cart, goodsRewarded, index);
    const afterDiscounts = lineValue(cart, index, shownBasis);
    return {
      product: product.id,
      sku: product.sku,
      quantity,
      unitPrice,
      value: unitPrice * quantity,
      afterDiscounts,
      afterRewards,
      taxRate: taxRateInWords(taxRateOfLine(cart, index)),
      tax,
    };
  });
}

/** Where it is collected. */
function quotedPlace(
  { places }: Policy,
  id: string | undefined,
  language: string,
  languages: readonly string[],
): QuotedOption['place'] {
  const place = id === undefined ? undefined : places?.[id];
  if (id === undefined || !place) return null;
  const { name, address, coordinates, hours, instructions } = place;
  return {
    id,
    name,
    address,
    coordinates: coordinates ?? null,
    hours: hours ?? null,
    instructions: textIn(instructions, language, languages),
  };
}

function quotedEstimate(estimate: Estimate): QuotedEstimate {
  if (estimate.unit === 'workingDays') return estimate;
  const moment = (instant: number) => new Date(instant).toISOString();
  const { unit, min, max, starts, earliest, latest } = estimate;
  return { unit, min, max, leaves: moment(starts), earliest: moment(earliest), latest: moment(latest) };
}
