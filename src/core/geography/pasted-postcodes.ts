import { lastUnder, parsePostcodePattern, type PostcodePattern } from './postcode.ts';
import { postcodeList } from './postcode-list.ts';

/** What a pasted list of postcodes holds. Patterns are as they are compared. */
interface PastedPostcodes {
  /** in the order in which they stand there, each once */
  patterns: string[];
  /** how often a pattern came again */
  repeated: number;
  unreadable: { text: string; /** counted from 1 */ line: number; reason: string }[];
}

/**
 * Reads postcodes as people paste them: one a line, or parted by commas, semicolons or tabs; ranges with `..`, or with a
 * dash between two runs of digits that stand apart from it or are of one length. An exact postcode may hold spaces.
 */
export function readPastedPostcodes(text: string): PastedPostcodes {
  const found = new Set<string>();
  const result: PastedPostcodes = { patterns: [], repeated: 0, unreadable: [] };
  for (const [index, line] of text.split(/\r\n|\r|\n/).entries()) {
    for (const cell of line.split(/[,;\t]/)) {
      const typed = cell
        .trim()
        .replace(/^["']|["']$/g, '')
        .trim();
      if (typed === '') continue;
      const parsed = parsePostcodePattern(asRange(typed));
      if (!parsed.ok) result.unreadable.push({ text: typed, line: index + 1, reason: parsed.reason });
      else if (found.has(parsed.pattern.text)) result.repeated++;
      else {
        found.add(parsed.pattern.text);
        result.patterns.push(parsed.pattern.text);
      }
    }
  }
  return result;
}

/** "1000 - 1999" and "1000–1999" mean a range; "999-9999", whose ends differ in length, is one postcode. */
function asRange(typed: string): string {
  const parted = /^(\d+)\s*(?:–|—|\s-\s)\s*(\d+)$/.exec(typed) ?? /^(\d+)-(\d+)$/.exec(typed);
  if (!parted) return typed;
  const [, from, to] = parted;
  return typed.includes('–') || typed.includes('—') || typed.includes(' ') || from!.length === to!.length
    ? `${from}..${to}`
    : typed;
}

/** A pattern that others of its list cover wholly, so that leaving it out changes nothing but how specific a match is. */
interface CoveredPattern {
  pattern: string;
  by: string;
}

/** Exact postcodes and ranges of a list that a range or a glob of it covers as well. */
export function coveredPatterns(patterns: readonly string[]): CoveredPattern[] {
  const read = patterns.flatMap((text) => {
    const parsed = parsePostcodePattern(text);
    return parsed.ok ? [parsed.pattern] : [];
  });
  const wide = read.filter(({ kind }) => kind !== 'exact');
  if (wide.length === 0) return [];
  const among = postcodeList(Object.fromEntries(wide.map(({ text }) => [text, true])));
  const within = rangesWithin(wide.filter((pattern): pattern is Range => pattern.kind === 'range'));
  return read.flatMap((pattern) => {
    const by = pattern.kind === 'exact' ? among(pattern.text)?.pattern.text : within.get(pattern.text);
    return by === undefined ? [] : [{ pattern: pattern.text, by }];
  });
}

type Range = Extract<PostcodePattern, { kind: 'range' }>;

/** Ranges that lie wholly within another, with that one: in order of their starts, the widest first, one that ends no later than an earlier one does. */
function rangesWithin(ranges: readonly Range[]): Map<string, string> {
  const found = new Map<string, string>();
  for (const by of ['digits', 'letters'] as const) {
    const sorted = ranges.flatMap((range) =>
      range.by === by
        ? [{ text: range.text, from: range.from, to: range.by === 'letters' ? lastUnder(range.to) : range.to }]
        : [],
    );
    sorted.sort((a, b) => {
      if (a.from < b.from) return -1;
      if (a.from > b.from) return 1;
      if (a.to > b.to) return -1;
      if (a.to < b.to) return 1;
      return 0;
    });
    let widest: (typeof sorted)[number] | null = null;
    for (const range of sorted) {
      if (widest && range.to <= widest.to) found.set(range.text, widest.text);
      else widest = range;
    }
  }
  return found;
}
