import { currencyExponent, isCurrency } from '../../money/currency.ts';
import type { WrittenAmount } from './statement.ts';

/** Signs and words for currencies (values from memory); those of several currencies mean the one that is asked about, where it is among them. */
const marks: readonly (readonly [pattern: string, currencies: readonly string[]])[] = [
  ['us\\$|u\\.s\\. ?\\$|\\$us', ['USD']],
  ['ca?\\$|\\$ca', ['CAD']],
  ['au?\\$|\\$au', ['AUD']],
  ['\\$|dollars?(?!\\p{L})', ['USD', 'CAD', 'AUD', 'NZD', 'SGD', 'HKD']],
  ['€|euros?(?!\\p{L})|يورو', ['EUR']],
  ['£gb|gb£|£|pounds?(?!\\p{L})', ['GBP']],
  ['chf(?!\\p{L})|(?<!\\p{L})s?fr\\.|franken(?!\\p{L})', ['CHF']],
  ['(?<!\\p{L})kr(?:oner|one|onor|\\.)?(?!\\p{L})', ['DKK', 'SEK', 'NOK', 'ISK']],
  ['jp¥|¥|円', ['JPY', 'CNY']],
  ['zł', ['PLN']],
];
const mark = marks.map(([pattern]) => pattern).join('|');
/** 1.250,00 · 1,250.00 · 1 250 · 75,- · 90.– · 49.95 */
const figure = String.raw`\d{1,3}(?:[.,' ]\d{3})+(?!\d)(?:[.,]\d{1,2}(?!\d))?|\d+(?:[.,]\d{1,2}(?!\d))?`;
const round = String.raw`(?:[.,] ?(?:-{1,2}|[–—]{1,2}))`;

const amountPattern = new RegExp(
  [
    // 1万2千円
    String.raw`(?<man>\d+)万(?:(?<sen>\d+)千)?円`,
    `(?<before>${mark}) ?(?<first>${figure})${round}?`,
    `(?<second>${figure})${round}? ?(?<after>${mark})`,
    String.raw`(?<pence>\d{1,2})p(?!\p{L})`,
    `(?<bare>${figure})${round}`,
  ].join('|'),
  'giu',
);

/** A number without any currency beside it, which is an amount only where words say so. */
export const bareFigure = new RegExp(`(?<![\\d.,/:-])(?:${figure})(?![\\d/:%]|[.,]\\d)`, 'gu');

/** Codes are capitals: in small letters some of them are words. */
const code = String.raw`(?<!\p{L})[A-Z]{3}(?!\p{L})`;
const codePattern = new RegExp(
  `(?<before>${code}) ?(?<first>${figure})${round}?|(?<second>${figure})${round}? ?(?<after>${code})`,
  'gu',
);

/**
 * Amounts that a text names, as people write them, in its order. One of nothing is none: it says that something is free.
 *
 * @param meant the currency of signs that several have, and of amounts that look like one without any
 */
export function amountsIn(plain: string, meant: string): WrittenAmount[] {
  const found: WrittenAmount[] = [];
  if (!/\d/.test(plain)) return found;
  const add = (match: RegExpExecArray, amount: { minor: number; currency: string } | null): void => {
    const span = { start: match.index, end: match.index + match[0].length };
    const goesOn = /[\d.,]$/.test(plain.slice(0, span.start)) && /^\d/.test(match[0]);
    if (!amount || amount.minor === 0 || goesOn) return;
    if (!found.some(({ start, end }) => start < span.end && span.start < end)) found.push({ ...span, ...amount });
  };
  codePattern.lastIndex = 0;
  for (let match = codePattern.exec(plain); match; match = codePattern.exec(plain)) {
    const { before, first, second, after } = match.groups!;
    if (isCurrency((before ?? after)!)) add(match, inCurrency((first ?? second)!, (before ?? after)!));
    // What is no code may stand before an amount that has one after it.
    else codePattern.lastIndex = match.index + (before?.length ?? match[0].length);
  }
  for (const match of plain.matchAll(amountPattern)) add(match, amountOf(match.groups!, meant));
  return found.sort((a, b) => a.start - b.start);
}

type Parts = Record<string, string | undefined>;

function amountOf({ man, sen, before, first, second, after, pence, bare }: Parts, meant: string) {
  if (man !== undefined) return { minor: Number(man) * 10_000 + Number(sen ?? 0) * 1000, currency: 'JPY' };
  if (pence !== undefined) return { minor: Number(pence), currency: 'GBP' };
  const written = before ?? after;
  return inCurrency((first ?? second ?? bare)!, written === undefined ? meant : currencyOf(written, meant));
}

function inCurrency(written: string, currency: string): { minor: number; currency: string } | null {
  const minor = minorOf(written, currency);
  return minor === null ? null : { minor, currency };
}

const signOf = marks.map(([pattern, currencies]) => ({ pattern: new RegExp(`^(?:${pattern})$`, 'iu'), currencies }));

function currencyOf(written: string, meant: string): string {
  const { currencies } = signOf.find(({ pattern }) => pattern.test(written))!;
  return currencies.includes(meant) ? meant : currencies[0]!;
}

/** A figure in minor units; the last sign is a decimal one unless three digits follow it. Null: it has smaller parts than the currency. */
export function minorOf(figureText: string, currency: string): number | null {
  const exponent = currencyExponent(currency);
  const decimals = /[.,](\d{1,2})$/.exec(figureText)?.[1] ?? '';
  const whole = figureText.slice(0, figureText.length - (decimals ? decimals.length + 1 : 0)).replace(/\D/g, '');
  if (decimals.length > exponent || whole.length > 12) return null;
  return Number(whole + decimals.padEnd(exponent, '0'));
}
