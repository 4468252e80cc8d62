import type { Span } from './statement.ts';

/** After which a full stop and a figure are one. */
const shortened = /(?:^|[^\p{L}])(?:kr|s?fr|ca|pr|min|max|nr)$/iu;

/** Sentences of a text, and its lines: whichever is shorter. */
export function sentencesIn(plain: string): Span[] {
  const found: Span[] = [];
  let start = 0;
  const end = (at: number) => {
    if (plain.slice(start, at).trim() !== '') found.push({ start, end: at });
    start = at;
  };
  for (const { 0: sign, index } of plain.matchAll(/[.!?](?=\s|$)|[。！？\n]|؟/gu)) {
    const after = index + sign.length;
    const next = /^\s*(\S)/u.exec(plain.slice(after, after + 20))?.[1];
    if (sign === '.' && next !== undefined) {
      const before = plain.slice(Math.max(start, index - 12), index);
      if (!/[\p{Lu}\p{Lo}\d\p{Ps}\p{Pi}"]/u.test(next)) continue;
      if (shortened.test(before) && (/\d/.test(next) || next === '-')) continue;
      // The 31st, as some languages write it.
      if (/(?:^|\s)\d{1,2}$/u.test(before)) continue;
    }
    end(after);
  }
  end(plain.length);
  // A question is answered by what comes after it.
  return found.reduceRight<Span[]>((joined, one) => {
    const [next] = joined;
    const asks =
      next && /[?？؟]\s*$/u.test(plain.slice(one.start, one.end)) && !plain.slice(one.start, one.end).includes('\n');
    return asks ? [{ start: one.start, end: next.end }, ...joined.slice(1)] : [one, ...joined];
  }, []);
}
