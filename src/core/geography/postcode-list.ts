import { firstCovering } from './covering-ranges.ts';
import { lastUnder, leadingDigits, matchesGlob, parsePostcodePattern, type PostcodePattern } from './postcode.ts';
import { placeRanks, type Specificity } from './specificity.ts';

/** The pattern of a list that covers a postcode, and how specific that is. */
interface PostcodeMatch {
  pattern: PostcodePattern;
  specificity: Specificity;
}

/** Many patterns, asked as one: the most specific that covers a postcode as it is compared, or null. */
export type PostcodeList = (normal: string) => PostcodeMatch | null;

const kindRank: Record<PostcodePattern['kind'], number> = { exact: 4, range: 3, glob: 2 };
const narrowestFirst = (a: PostcodeMatch, b: PostcodeMatch) => b.specificity.narrowness - a.specificity.narrowness;

const known = new WeakMap<object, PostcodeList>();

/**
 * Exact postcodes are looked up, ranges found by bisection, and of globs only those tried whose letters before the first
 * wildcard a postcode begins with: a list of tens of thousands answers in microseconds. It is built once for each object.
 *
 * @throws RangeError for a pattern that `checkPolicy` would have refused
 */
export function postcodeList(patterns: Readonly<Record<string, unknown>>): PostcodeList {
  const last = known.get(patterns);
  if (last) return last;
  const list = buildList(Object.keys(patterns));
  known.set(patterns, list);
  return list;
}

function buildList(texts: readonly string[]): PostcodeList {
  const exact = new Map<string, PostcodeMatch>();
  const globs = new Map<string, PostcodeMatch[]>();
  const digits: (PostcodeMatch & { from: number; to: number })[] = [];
  const letters: (PostcodeMatch & { from: string; to: string })[] = [];
  let longestPrefix = -1;
  for (const text of texts) {
    const parsed = parsePostcodePattern(text);
    if (!parsed.ok) throw new RangeError(`postcode pattern "${text}": ${parsed.reason}`);
    const { pattern } = parsed;
    const match: PostcodeMatch = {
      pattern,
      specificity: { place: placeRanks.postcodes, kind: kindRank[pattern.kind], narrowness: pattern.narrowness },
    };
    if (pattern.kind === 'exact') exact.set(pattern.text, match);
    else if (pattern.kind === 'range' && pattern.by === 'digits')
      digits.push({ ...match, from: pattern.from, to: pattern.to });
    else if (pattern.kind === 'range') letters.push({ ...match, from: pattern.from, to: lastUnder(pattern.to) });
    else {
      const prefix = pattern.text.slice(0, pattern.text.search(/[*?]/));
      longestPrefix = Math.max(longestPrefix, prefix.length);
      globs.set(prefix, [...(globs.get(prefix) ?? []), match]);
    }
  }
  for (const group of globs.values()) group.sort(narrowestFirst);
  const byDigits = firstCovering(digits.sort(narrowestFirst));
  const byLetters = firstCovering(letters.sort(narrowestFirst));

  const range = (normal: string): PostcodeMatch | null => {
    const number = digits.length > 0 ? leadingDigits(normal) : null;
    const numeric = number === null ? null : byDigits(number);
    const lettered = letters.length > 0 ? byLetters(normal) : null;
    if (numeric && lettered) {
      if (narrowestFirst(numeric, lettered) <= 0) return numeric;
      return lettered;
    }
    return numeric ?? lettered;
  };
  const glob = (normal: string): PostcodeMatch | null => {
    let best: PostcodeMatch | null = null;
    for (let length = Math.min(longestPrefix, normal.length); length >= 0; length--) {
      const match = globs.get(normal.slice(0, length))?.find(({ pattern }) => matchesGlob(pattern.text, normal));
      if (match && (!best || match.specificity.narrowness > best.specificity.narrowness)) best = match;
    }
    return best;
  };
  return (normal) =>
    normal === '' ? null : (exact.get(normal) ?? range(normal) ?? (globs.size > 0 ? glob(normal) : null));
}
