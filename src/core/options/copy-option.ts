import { exactConversion, type ConversionSide } from '../money/convert.ts';
import { currencyExponent } from '../money/currency.ts';
import { localMoneyOf, type LocalMoney } from '../money/local-amount.ts';
import { multiply, roundRatio } from '../money/ratio.ts';
import type { DeliveryOption, LocalAmount, Policy, Question, Texts } from '../policy/types.ts';

type CopiedOption =
  | {
      ok: true;
      option: DeliveryOption;
      /** amounts that were converted, each once, the smallest first; minor units of each currency */ converted: {
        from: number;
        to: number;
      }[];
    }
  | { ok: false; reason: string };

/**
 * An option as it would stand in another zone. Exact amounts are converted through the base currency by the adopted rates and
 * rounded to a step; those that follow the base currency go on doing so. Texts are kept in languages that the other market
 * reads, and in its first one where it reads none of them.
 *
 * @param step converted amounts are multiples of it; minor units of the other market's currency
 */
export function copyOption(policy: Policy, optionId: string, zoneId: string, step: number): CopiedOption {
  const option = policy.options[optionId];
  const from = policy.zones[option?.zone ?? '']?.market;
  const to = policy.zones[zoneId]?.market;
  if (!option || from === undefined || to === undefined)
    return { ok: false, reason: 'The option or the zone is gone.' };
  const [here, there] = [localMoneyOf(policy, from), localMoneyOf(policy, to)];
  // Amounts of one currency are taken over as they are: no rate is needed for them.
  const sides = here.currency === there.currency ? [] : [here, there];
  for (const { rate, currency } of sides)
    if (rate === null) return { ok: false, reason: `No rate of ${currency} has been adopted.` };
  const converted = new Map<number, number>();
  const convert = (amount: LocalAmount): LocalAmount => {
    if (here.currency === there.currency) return amount;
    if ('following' in amount) return { following: { ...amount.following, step, less: 0 } };
    const minor = convertToStep(amount.exact, here, there, step);
    if (amount.exact > 0) converted.set(amount.exact, minor);
    return { exact: minor };
  };
  const languages = policy.markets[to]!.languages;
  const copy = withTexts({ ...(mapAmounts(option, convert) as DeliveryOption), zone: zoneId }, languages);
  return {
    ok: true,
    option: copy,
    converted: [...converted].sort(([a], [b]) => a - b).map(([before, after]) => ({ from: before, to: after })),
  };
}

function convertToStep(minor: number, here: LocalMoney, there: LocalMoney, step: number): number {
  const side = ({ rate, currency }: LocalMoney): ConversionSide => ({
    rate: rate!,
    exponent: currencyExponent(currency),
  });
  const exact = exactConversion(minor, side(here), side(there));
  return roundRatio(multiply(exact, { numerator: 1n, denominator: BigInt(step) })) * step;
}

/** Every local amount in a value, however deep. */
function mapAmounts(value: unknown, convert: (amount: LocalAmount) => LocalAmount): unknown {
  if (Array.isArray(value)) return value.map((item) => mapAmounts(item, convert));
  if (typeof value !== 'object' || value === null) return value;
  if ('exact' in value || 'following' in value) return convert(value as LocalAmount);
  return Object.fromEntries(
    Object.entries(value).map(([key, item]) => [key, key === 'amounts' ? item : mapAmounts(item, convert)]),
  );
}

const textFields = ['label', 'description', 'freeLabel', 'whenUnavailable'] as const;

/** The texts that shoppers of the market read; where there are none, the first in place of its first language. */
function textsIn(texts: Texts, languages: readonly string[]): Texts {
  const kept = Object.fromEntries(Object.entries(texts).filter(([language]) => languages.includes(language)));
  const first = Object.values(texts)[0];
  return Object.keys(kept).length > 0 || first === undefined ? kept : { [languages[0]!]: first };
}

function withTexts(option: DeliveryOption, languages: readonly string[]): DeliveryOption {
  const copy = { ...option };
  for (const field of textFields) {
    const texts = option[field];
    if (texts) copy[field] = textsIn(texts, languages);
  }
  if (option.questions) copy.questions = mapValues(option.questions, (question) => questionIn(question, languages));
  if (option.picture) copy.picture = { ...option.picture, alt: textsIn(option.picture.alt, languages) };
  return copy;
}

function questionIn(question: Question, languages: readonly string[]): Question {
  const label = textsIn(question.label, languages);
  if (question.kind !== 'choice') return { ...question, label };
  const choices = mapValues(question.choices, (one) => ({ ...one, label: textsIn(one.label, languages) }));
  return { ...question, label, choices };
}

const mapValues = <T>(all: Readonly<Record<string, T>>, change: (one: T) => T): Record<string, T> =>
  Object.fromEntries(Object.entries(all).map(([key, one]) => [key, change(one)]));
