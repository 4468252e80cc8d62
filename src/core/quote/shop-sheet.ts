import { formatMoney } from '../money/format.ts';
import type { Place } from '../wording/places.ts';
import type { QuotedQuestion } from './quoted-questions.ts';
import type { QuoteAnswer } from './quote-answer.ts';

/** One line of goods as the shop shows it. */
interface ShopGoods {
  name: string;
  quantity: number;
  /** quantity × price, minor units */
  value: number;
}

/** A delivery option as the shop shows it. */
interface ShopOption {
  id: string;
  label: string;
  chosen: boolean;
  /** written out; null when it is the same as after */
  before: string | null;
  after: string;
  isFree: boolean;
  questions: QuotedQuestion[];
  picture: QuoteAnswer['options'][number]['picture'];
}

/** Everything a shop shows of an answer, written out in the shopper's language: what is drawn, and nothing besides. */
export interface ShopSheet {
  messages: Partial<Record<Place, { text: string; language: string; percent: number | null }>>;
  reached: boolean;
  goods: { name: string; quantity: number; value: string }[];
  goodsValue: string | null;
  options: ShopOption[];
  unavailable: { id: string; label: string; text: string }[];
  outOfArea: string | null;
  gifts: { product: string; quantity: number }[];
  /** what stands between the prices and the total */
  sums: { what: 'goodsReward' | 'delivery' | 'tax'; amount: string }[];
  total: string | null;
}

/**
 * @param shownWithTax whether the market shows prices with tax: where it does not, tax is a sum of its own
 * @param language in which amounts are written
 */
export function shopSheet(
  answer: QuoteAnswer,
  goods: readonly ShopGoods[],
  shownWithTax: boolean,
  language: string,
): ShopSheet {
  const { currency, totals } = answer;
  const write = (minor: number) => (currency === null ? '–' : formatMoney(minor, currency, language));
  return {
    messages: Object.fromEntries(
      answer.messages.map(({ place, text, language: inLanguage, percent }) => [
        place,
        { text, language: inLanguage, percent },
      ]),
    ),
    reached: answer.messages.some(({ state }) => state === 'reached'),
    goods: currency === null ? [] : goods.map(({ name, quantity, value }) => ({ name, quantity, value: write(value) })),
    goodsValue: answer.goodsValue === null ? null : write(answer.goodsValue),
    options: answer.options.map(({ id, label, priceBefore, priceAfter, questions, picture }) => ({
      id,
      label,
      chosen: id === answer.preselected,
      before: priceBefore === priceAfter ? null : write(priceBefore),
      after: write(priceAfter),
      isFree: priceAfter === 0,
      questions,
      picture,
    })),
    unavailable: answer.unavailable.flatMap(({ id, label, text }) => (text === null ? [] : [{ id, label, text }])),
    outOfArea: answer.outOfArea,
    gifts: answer.gifts.map(({ product, quantity }) => ({ product, quantity })),
    sums:
      totals === null
        ? []
        : [
            ...(totals.goodsReward > 0 ? [{ what: 'goodsReward' as const, amount: write(-totals.goodsReward) }] : []),
            ...(answer.preselected === null ? [] : [{ what: 'delivery' as const, amount: write(totals.delivery) }]),
            ...(shownWithTax ? [] : [{ what: 'tax' as const, amount: write(totals.tax) }]),
          ],
    total: totals === null ? null : write(totals.toPay),
  };
}

/** A part of the shop that can differ between two sheets. */
export type SheetPart = Place | 'total' | 'outOfArea' | `option ${string}`;

/** Parts in which two sheets differ: other words, another price, or there in one alone. */
export function differingParts(one: ShopSheet, other: ShopSheet): Set<SheetPart> {
  const parts = new Set<SheetPart>();
  for (const place of new Set([...Object.keys(one.messages), ...Object.keys(other.messages)] as Place[])) {
    if (one.messages[place]?.text !== other.messages[place]?.text) parts.add(place);
  }
  const told = ({ label, before, after, questions, picture }: ShopOption) =>
    JSON.stringify([label, before, after, questions, picture]);
  const others = new Map(other.options.map((option) => [option.id, told(option)]));
  for (const option of one.options) if (others.get(option.id) !== told(option)) parts.add(`option ${option.id}`);
  const ids = new Set(one.options.map(({ id }) => id));
  for (const id of others.keys()) if (!ids.has(id)) parts.add(`option ${id}`);
  if (one.total !== other.total) parts.add('total');
  if (one.outOfArea !== other.outOfArea) parts.add('outOfArea');
  return parts;
}
