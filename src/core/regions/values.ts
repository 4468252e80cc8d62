/** A half-open stretch [from, to) of whole numbers; ends may be infinite. */
export interface Span {
  from: number;
  to: number;
}

/**
 * Some of the values that one fact can have, and whether not being known is among them (a leaf over a missing fact is false,
 * so its contrary takes that in).
 */
export type Values = NumberValues | WordValues;

/** Stretches that are apart from each other, ascending. */
export interface NumberValues {
  kind: 'numbers';
  spans: readonly Span[];
  unknown: boolean;
}

/** Those listed, or all but those listed. @see `domain` */
export interface WordValues {
  kind: 'words';
  listed: ReadonlySet<string>;
  allBut: boolean;
  /** every word that there is; null: there are more than anyone can list */
  domain: readonly string[] | null;
  unknown: boolean;
}

export const numbers = (spans: readonly Span[], unknown = false): NumberValues => ({
  kind: 'numbers',
  spans: joined(spans),
  unknown,
});

export const words = (
  listed: Iterable<string>,
  domain: readonly string[] | null = null,
  unknown = false,
): WordValues => ({ kind: 'words', listed: new Set(listed), allBut: false, domain, unknown });

/** Stretches without empty ones, in order, those that touch as one. */
function joined(spans: readonly Span[]): Span[] {
  const ordered = spans.filter(({ from, to }) => from < to).sort((a, b) => a.from - b.from);
  const result: Span[] = [];
  for (const span of ordered) {
    const last = result.at(-1);
    if (last && span.from <= last.to) result[result.length - 1] = { from: last.from, to: Math.max(last.to, span.to) };
    else result.push(span);
  }
  return result;
}

/** Everything else, not being known included where it was not. */
export function contraryOf(values: Values): Values {
  const unknown = !values.unknown;
  if (values.kind === 'words') return { ...values, allBut: !values.allBut, unknown };
  const spans: Span[] = [];
  let from = -Infinity;
  for (const span of values.spans) {
    spans.push({ from, to: span.from });
    from = span.to;
  }
  spans.push({ from, to: Infinity });
  return numbers(spans, unknown);
}

/** What is in both. @throws RangeError for values of different kinds, which no one fact has */
export function both(a: Values, b: Values): Values {
  const unknown = a.unknown && b.unknown;
  if (a.kind === 'numbers' && b.kind === 'numbers')
    return numbers(
      a.spans.flatMap((one) =>
        b.spans.map((other) => ({ from: Math.max(one.from, other.from), to: Math.min(one.to, other.to) })),
      ),
      unknown,
    );
  if (a.kind === 'words' && b.kind === 'words') return { ...bothWords(a, b), unknown };
  throw new RangeError('numbers and words have nothing in common');
}

function bothWords(a: WordValues, b: WordValues): WordValues {
  const domain = a.domain ?? b.domain;
  const base = { kind: 'words' as const, domain, unknown: false };
  if (a.allBut && b.allBut) return { ...base, listed: new Set([...a.listed, ...b.listed]), allBut: true };
  const [some, other] = a.allBut ? [b, a] : [a, b];
  return { ...base, listed: new Set([...some.listed].filter((word) => has(other, word))), allBut: false };
}

const has = ({ listed, allBut }: WordValues, word: string): boolean => listed.has(word) !== allBut;

export function isNothing(values: Values): boolean {
  if (values.unknown) return false;
  if (values.kind === 'numbers') return values.spans.length === 0;
  if (!values.allBut) return values.listed.size === 0;
  return values.domain !== null && values.domain.every((word) => values.listed.has(word));
}

/** Whether a number or word is among the values. */
export const includes = (values: Values, value: number | string): boolean =>
  values.kind === 'words'
    ? has(values, String(value))
    : values.spans.some(({ from, to }) => Number(value) >= from && Number(value) < to);

/** One of the values; null: not being known. @throws RangeError where there is none */
export function oneOf(values: Values): number | string | null {
  if (values.kind === 'numbers') {
    const [span] = values.spans;
    if (span) return firstOf(span);
  } else {
    const named = values.allBut ? values.domain?.find((word) => !values.listed.has(word)) : [...values.listed][0];
    if (named !== undefined) return named;
    if (values.allBut && values.domain === null) return unlisted(values.listed);
  }
  if (values.unknown) return null;
  throw new RangeError('there is no such value');
}

/** The lowest of a stretch; of one that has no lower end the highest, and of one without ends 0. */
function firstOf({ from, to }: Span): number {
  if (Number.isFinite(from)) return from;
  return Number.isFinite(to) ? to - 1 : 0;
}

/** A word that is not among some. */
function unlisted(listed: ReadonlySet<string>): string {
  let word = 'another';
  while (listed.has(word)) word += '-';
  return word;
}
