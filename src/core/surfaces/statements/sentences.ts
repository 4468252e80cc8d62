import type { Span } from './statement.ts';

/** After which a full stop and a figure are one. */
const shortened = /(?:^|[^\p{L}])(?:kr|s?fr|ca|pr|min|max|nr)$/iu;

/** What goes on for longer without an end is cut, so that no page takes long. Letters */
const longest = 1000;

/** Sentences of a text, and its lines: whichever is shorter. */
export function sentencesIn(plain: string): Span[] {
  const found: Span[] = [];
  let start = 0;
  const end = (at: number) => {
    while (at - start > longest) {
      found.push({ start, end: start + longest });
      start += longest;
    }
    if (/\S/u.test(plain.slice(start, at))) found.push({ start, end: at });
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
  return answered(found, plain);
}

/** A question is answered by what comes after it: the two are read as one. */
function answered(sentences: readonly Span[], plain: string): Span[] {
  const joined: Span[] = [];
  let asking = false;
  for (const { start, end } of sentences) {
    const last = joined.at(-1);
    if (asking && last) last.end = end;
    else joined.push({ start, end });
    asking = !asking && /[?？؟]\s*$/u.test(plain.slice(Math.max(start, end - 4), end));
  }
  return joined;
}
