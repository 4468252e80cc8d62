import { freeWordsOf } from '../../wording/free-words.ts';
import { amountsIn, bareFigure, minorOf } from './amounts.ts';
import { daysIn } from './days.ts';
import type { LanguageWords } from './languages/language-words.ts';
import { wordsOf } from './languages/languages.ts';
import { inSmallLetters, plainText } from './plain-text.ts';
import { sentencesIn } from './sentences.ts';
import type { Span, Statement, WrittenAmount } from './statement.ts';

/** What is known of a text beforehand. */
export interface Reading {
  language: string;
  /** of signs that several currencies share, and of amounts without any */
  currency: string;
}

/**
 * What a text states of delivery prices, in its order; nothing in languages of which the words are not known. Amounts are read
 * as people write them, and the words around them decide what they state.
 */
export const readStatements = (text: string, reading: Reading): Statement[] => statementsIn(sentencesOf(text), reading);

/** A sentence of a text, with the digits and signs of other scripts as ordinary ones. */
export interface Sentence {
  start: number;
  written: string;
  /** the same in small letters */
  small: string;
}

/** The sentences of a text, whatever language it is in. */
export function sentencesOf(text: string): Sentence[] {
  const plain = plainText(text);
  return sentencesIn(plain).map(({ start, end }) => {
    const written = plain.slice(start, end);
    return { start, written, small: inSmallLetters(written) };
  });
}

/** The same of a text whose sentences are known, as it is read in several languages. */
export function statementsIn(sentences: readonly Sentence[], { language, currency }: Reading): Statement[] {
  const words = wordsOf(language);
  if (!words) return [];
  let spokenOf = false;
  return sentences.flatMap(({ start, written, small: sentence }) => {
    const isDelivery = words.delivery.test(sentence) || (spokenOf && words.otherwise.test(sentence));
    spokenOf = isDelivery && !words.elsewhere.test(sentence);
    if (!spokenOf) return [];
    return inSentence(sentence, amountsIn(written, currency), words, { language, currency }).map((one) =>
      moved(one, start),
    );
  });
}

type Role = 'from' | 'below' | 'costs' | 'instead' | null;

interface Placed {
  amount: WrittenAmount;
  role: Role;
}

function inSentence(
  sentence: string,
  written: WrittenAmount[],
  words: LanguageWords,
  { language, currency }: Reading,
): Statement[] {
  const free = isDeliveredFree(sentence, written, words, language);
  const amounts = withBare(sentence, written, words, currency);
  const ranges = rangesIn(sentence, amounts, words, currency);
  const inRange = (one: Span) => ranges.some(({ start, end }) => one.start >= start && one.end <= end);
  const single = amounts.filter((one) => !inRange(one));
  const placed = single.map((amount, index) => ({ amount, role: roleOf(sentence, amount, single[index - 1], words) }));
  const found = [...(free ? [] : ranges), ...(free ? whereFree(placed, sentence) : charged(placed, sentence, words))];
  if (found.length === 0) return [];
  return [...found, ...untilIn(sentence, words, language)].sort((a, b) => a.start - b.start);
}

/** Whether it is the delivery that is free: what is free before an amount, and delivered after it, is something else. */
function isDeliveredFree(
  sentence: string,
  amounts: readonly WrittenAmount[],
  words: LanguageWords,
  language: string,
): boolean {
  if (words.free.test(sentence)) return true;
  const free = freeWordsOf(language)?.exec(sentence);
  if (!free) return false;
  const delivery = sentence.search(words.delivery);
  return !amounts.some(({ start }) => free.index < start && start < delivery);
}

/** Free from the amount that words say it is, else from the only one; the others are what is charged below it. */
function whereFree(placed: readonly Placed[], sentence: string): Statement[] {
  if (placed.length === 0) return [{ kind: 'free', start: 0, end: sentence.trimEnd().length }];
  const goal =
    placed.find(({ role }) => role === 'from') ??
    placed.find(({ role }) => role === 'below') ??
    (placed.length === 1 ? placed[0] : undefined);
  if (!goal) return [];
  return placed.flatMap(({ amount, role }): Statement[] => {
    if (amount === goal.amount) return [{ ...spanOf(amount), kind: 'goal', amount }];
    if (role === 'below' || role === 'instead' || amount.minor === goal.amount.minor) return [];
    return [{ ...spanOf(amount), kind: 'price', amount }];
  });
}

/** Without anything free, amounts are prices unless they only say for which orders. */
function charged(placed: readonly Placed[], sentence: string, words: LanguageWords): Statement[] {
  const kind = words.perKilo.test(sentence) ? 'perKilo' : 'price';
  return placed.flatMap(({ amount, role }): Statement[] =>
    role === 'costs' ? [{ ...spanOf(amount), kind, amount }] : [],
  );
}

/** What the words around an amount make of it: those right after it, else the nearest before it. */
function roleOf(sentence: string, { start, end }: Span, before: Span | undefined, words: LanguageWords): Role {
  const after = sentence.slice(end, end + 24);
  if (words.orMore.test(after)) return 'from';
  if (words.orLess.test(after)) return 'below';
  const lead = sentence.slice(Math.max(before?.end ?? 0, start - 48), start);
  if (words.instead.test(lead.slice(-24))) return 'instead';
  // A word before another figure, as of a weight, says nothing of this one.
  const nearest = (pattern: RegExp) =>
    [...lead.matchAll(pattern)]
      .map((match) => match.index + match[0].length)
      .filter((at) => !/\d/.test(lead.slice(at)))
      .reduce((best, at) => Math.max(best, at), -1);
  const roles = (['from', 'below', 'costs'] as const).map((role) => [role, nearest(words[role])] as const);
  const [role, at] = roles.reduce((best, one) => (one[1] > best[1] ? one : best));
  if (at >= 0) return role;
  return isBeside(sentence, { start, end }, words) ? 'costs' : null;
}

/** Whether delivery is named right before or after an amount, with no verb to say what it does: “Express delivery £12”. */
const isBeside = (sentence: string, { start, end }: Span, { delivery }: LanguageWords): boolean =>
  delivery.test(sentence.slice(Math.max(0, start - 40), start)) || delivery.test(sentence.slice(end, end + 16));

/** Patterns that are made of a language's words, once. */
function madeOf(make: (words: LanguageWords) => RegExp): (words: LanguageWords) => RegExp {
  const made = new Map<LanguageWords, RegExp>();
  return (words) => {
    let pattern = made.get(words);
    if (!pattern) made.set(words, (pattern = make(words)));
    return pattern;
  };
}

/** What is charged comes right after it. */
const rightBefore = madeOf(({ costs, otherwise }) => new RegExp(`(?:${costs.source}|${otherwise.source})\\s*$`, 'u'));
/** Nothing else stands between the amounts of a range. */
const onlyBetween = madeOf(({ to }) => new RegExp(`^\\s*(?:${to.source})\\s*$`, 'u'));

/** Figures without a currency that words say are charged: “otherwise 5.50”. */
function withBare(sentence: string, amounts: WrittenAmount[], words: LanguageWords, currency: string): WrittenAmount[] {
  const bare = [...sentence.matchAll(bareFigure)].flatMap((match): WrittenAmount[] => {
    const [start, end] = [match.index, match.index + match[0].length];
    if (!/[.,]\d{2}$/.test(match[0]) || amounts.some((one) => one.start <= start && end <= one.end)) return [];
    const lead = sentence.slice(Math.max(0, start - 16), start);
    const minor = rightBefore(words).test(lead) ? minorOf(match[0], currency) : null;
    return minor === null ? [] : [{ start, end, minor, currency }];
  });
  return [...amounts, ...bare].sort((a, b) => a.start - b.start);
}

/** Two amounts with nothing but *to* between them, the first of which may lack its currency. */
function rangesIn(
  sentence: string,
  amounts: readonly WrittenAmount[],
  words: LanguageWords,
  currency: string,
): Statement[] {
  const between = onlyBetween(words);
  return amounts.flatMap((to, index): Statement[] => {
    const from = amounts[index - 1] ?? null;
    const first =
      from && between.test(sentence.slice(from.end, to.start)) ? from : bareBefore(sentence, to, between, currency);
    if (!first || first.minor >= to.minor) return [];
    return [{ kind: 'range', start: first.start, end: to.end, from: first, to }];
  });
}

function bareBefore(sentence: string, to: WrittenAmount, between: RegExp, currency: string): WrittenAmount | null {
  const lead = sentence.slice(0, to.start);
  for (const match of [...lead.matchAll(bareFigure)].reverse()) {
    const end = match.index + match[0].length;
    if (!between.test(lead.slice(end))) continue;
    const minor = minorOf(match[0], to.currency || currency);
    return minor === null ? null : { start: match.index, end, minor, currency: to.currency };
  }
  return null;
}

function untilIn(sentence: string, words: LanguageWords, language: string): Statement[] {
  return daysIn(sentence, language).flatMap((date): Statement[] => {
    const lead = sentence.slice(Math.max(0, date.start - 24), date.start);
    const after = sentence.slice(date.end, date.end + 8);
    return words.until.test(lead) || words.untilAfter?.test(after) ? [{ ...spanOf(date), kind: 'until', date }] : [];
  });
}

const spanOf = ({ start, end }: Span): Span => ({ start, end });

function moved(statement: Statement, by: number): Statement {
  const shift = <T extends Span>(one: T): T => ({ ...one, start: one.start + by, end: one.end + by });
  const at = shift(statement);
  if (at.kind === 'free') return at;
  if (at.kind === 'until') return { ...at, date: shift(at.date) };
  return at.kind === 'range' ? { ...at, from: shift(at.from), to: shift(at.to) } : { ...at, amount: shift(at.amount) };
}
