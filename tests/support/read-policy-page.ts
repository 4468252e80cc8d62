import { parse, type DefaultTreeAdapterTypes } from 'parse5';
import { currencyExponent } from '../../src/core/money/currency.ts';
import type { SurfaceWords } from '../../src/core/surfaces/words/surface-words.ts';

/** What a reader of the page knows of an order. Minor units, pieces, grams. */
export interface OrderRead {
  goodsValue: number;
  items: number;
  weight: number;
  /** with what the goods are packed in; null: it is not known in how many parcels */
  packedWeight: number | null;
}

interface Row {
  order: string;
  price: string;
}

/** Prices by zone and option, as the tables of a page say them. */
export type PageRead = Map<string, Map<string, Row[]>>;

type Node = DefaultTreeAdapterTypes.Node;
type Element = DefaultTreeAdapterTypes.Element;

const all = (node: Node, name: string): Element[] =>
  'childNodes' in node
    ? node.childNodes.flatMap((child) => [
        ...('tagName' in child && child.tagName === name ? [child] : []),
        ...all(child, name),
      ])
    : [];
const textOf = (node: Node): string => {
  if ('value' in node) return node.value;
  if ('tagName' in node && node.tagName === 'small') return '';
  return 'childNodes' in node ? node.childNodes.map(textOf).join('') : '';
};

/** Reads the tables of a policy page, knowing nothing of how it was made. */
export function readPolicyPage(html: string): PageRead {
  const zones: PageRead = new Map();
  for (const section of all(parse(html), 'section')) {
    const options = new Map<string, Row[]>();
    let label = '';
    for (const row of all(section, 'tr').slice(1)) {
      const [named] = all(row, 'th');
      if (named) label = textOf(named);
      const [order, price] = all(row, 'td').map(textOf);
      options.set(label, [...(options.get(label) ?? []), { order: order!, price: price! }]);
    }
    zones.set(textOf(all(section, 'h2')[0]!), options);
  }
  return zones;
}

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
/** A text as a pattern that finds its values by name. */
const patternOf = (text: string): RegExp =>
  new RegExp(`^${escaped(text).replace(/\\\{(\w+)\\\}/g, (_, name: string) => `(?<${name}>.+?)`)}$`, 'u');

/** What an order pays by a table’s rows, in minor units; null where they say it in words that need more than the order’s measures. */
export function priceByRows(
  rows: readonly Row[],
  order: OrderRead,
  words: SurfaceWords,
  currency: string,
): number | null {
  const fitting = rows.filter((row) => fits(row.order, order, words, currency));
  if (fitting.length !== 1)
    throw new Error(`${fitting.length} rows for ${JSON.stringify(order)}: ${JSON.stringify(rows)}`);
  return priceOf(fitting[0]!.price, order, words, currency);
}

function fits(text: string, order: OrderRead, words: SurfaceWords, currency: string): boolean {
  if (text === words.everyOrder) return true;
  const clause = patternOf(words.clauses).exec(text)?.groups;
  if (clause && fitsOne(clause.first!, order, words, currency) !== null)
    return fitsOne(clause.first!, order, words, currency)! && fits(clause.second!, order, words, currency);
  const one = fitsOne(text, order, words, currency);
  if (one === null) throw new Error(`cannot read “${text}”`);
  return one;
}

function fitsOne(text: string, order: OrderRead, words: SurfaceWords, currency: string): boolean | null {
  for (const form of ['between', 'from', 'below'] as const) {
    const found = patternOf(words[form]).exec(text)?.groups;
    if (!found) continue;
    const measured = measureOf(found.what!, order, words, currency);
    if (!measured) continue;
    const { value, read } = measured;
    return (
      (found.from === undefined || value >= read(found.from)) && (found.to === undefined || value < read(found.to))
    );
  }
  return null;
}

function measureOf(what: string, order: OrderRead, words: SurfaceWords, currency: string) {
  if (what === words.goodsValue) return { value: order.goodsValue, read: (text: string) => minorOf(text, currency) };
  if (what === words.weight) return { value: order.weight, read: gramsOf };
  if (what === words.items) return { value: order.items, read: (text: string) => Number(text.replace(/\D/g, '')) };
  return null;
}

/** Every digit of an amount, since all of its decimals are written. */
export function minorOf(text: string, currency: string): number {
  const digits = text.replace(/\D/g, '');
  if (digits === '' || digits.length <= currencyExponent(currency)) throw new Error(`no amount: “${text}”`);
  return Number(digits);
}

const gramsOf = (text: string): number => {
  const number = Number(text.replace(/[^\d.,]/g, '').replace(',', '.'));
  return /k/i.test(text) ? number * 1000 : number;
};

function priceOf(text: string, order: OrderRead, words: SurfaceWords, currency: string): number | null {
  if (text === words.free) return 0;
  for (const [form, bound] of [
    ['atMost', Math.min],
    ['atLeast', Math.max],
  ] as const) {
    const found = patternOf(words[form]).exec(text)?.groups;
    const price = found && priceOf(found.price!, order, words, currency);
    if (found) return price === null || price === undefined ? null : bound(price, minorOf(found.amount!, currency));
  }
  const [fixed, each] = text.split(' + ');
  for (const [form, round] of [
    ['perStarted', Math.ceil],
    ['perUnit', Math.round],
  ] as const) {
    const found = patternOf(words[form]).exec(each ?? fixed!)?.groups;
    if (!found) continue;
    const base = each === undefined ? 0 : minorOf(fixed!, currency);
    const amount = minorOf(found.amount!, currency);
    const unit = found.unit!;
    if (unit === words.eachItem) return base + amount * order.items;
    const weighed = patternOf(words.packed).exec(unit)?.groups?.what;
    if (weighed === undefined || !/^[\d.,\s]*k?g$/.test(weighed) || order.packedWeight === null) return null;
    const per = /\d/.test(weighed) ? gramsOf(weighed) : 1000;
    const units = order.packedWeight / per;
    return base + (round === Math.ceil ? amount * Math.ceil(units) : Math.round(amount * units));
  }
  return /^[^\p{L}]*\p{Sc}?[^\p{L}]*$|^[\d.,\s]+(kr\.|CHF|€)$|^CHF[\s\d.,]+$/u.test(text)
    ? minorOf(text, currency)
    : null;
}
