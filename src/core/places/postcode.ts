/** Postcodes as they are compared: upper-case, without spaces and hyphens (2-domain §3). */
export function normalPostcode(postcode: string): string {
  return postcode.toUpperCase().replace(/[\s-]/g, '');
}

/** A postcode pattern ready to match. `narrowness` grows as the pattern covers less, among patterns of one kind. */
export interface PostcodePattern {
  kind: 'exact' | 'range' | 'glob';
  narrowness: number;
  matches: (normal: string) => boolean;
}

export type ParsedPattern = { ok: true; pattern: PostcodePattern } | { ok: false; reason: string };

/**
 * Reads a pattern: an exact postcode, one with `*` (any run) and `?` (one character), or an inclusive range
 * `1000..1999`. A range whose ends are both digits compares numerically, with the digits a postcode begins with, so
 * that it covers "1799 ZA"; any other range compares character by character.
 */
export function parsePostcodePattern(text: string): ParsedPattern {
  const range = text.split('..');
  if (range.length === 2) return parseRange(normalPostcode(range[0]!), normalPostcode(range[1]!));
  const normal = normalPostcode(text);
  if (range.length > 2 || !/^[A-Z0-9*?]+$/.test(normal)) return { ok: false, reason: 'must be a postcode, one with * or ?, or a range such as 1000..1999' };
  if (!/[*?]/.test(normal)) return { ok: true, pattern: { kind: 'exact', narrowness: normal.length, matches: (postcode) => postcode === normal } };
  const literals = normal.replace(/[*?]/g, '').length;
  return { ok: true, pattern: { kind: 'glob', narrowness: literals, matches: (postcode) => matchesGlob(normal, postcode) } };
}

function parseRange(from: string, to: string): ParsedPattern {
  if (!/^[A-Z0-9]+$/.test(from) || !/^[A-Z0-9]+$/.test(to)) return { ok: false, reason: 'both ends of a range must be postcodes without wildcards' };
  if (/^\d+$/.test(from) && /^\d+$/.test(to)) {
    const [low, high] = [Number(from), Number(to)];
    if (low > high) return { ok: false, reason: 'the range ends before it begins' };
    const matches = (postcode: string) => {
      const digits = /^\d+/.exec(postcode);
      return digits !== null && Number(digits[0]) >= low && Number(digits[0]) <= high;
    };
    return { ok: true, pattern: { kind: 'range', narrowness: -(high - low), matches } };
  }
  if (from > to) return { ok: false, reason: 'the range ends before it begins' };
  return { ok: true, pattern: { kind: 'range', narrowness: -spread(from, to), matches: (postcode) => postcode >= from && postcode <= to } };
}

/** How many codes lie between two ends, read as base-36 numbers of one length; only used to compare ranges. */
function spread(from: string, to: string): number {
  const length = Math.max(from.length, to.length);
  const value = (code: string) => [...code.padEnd(length, '0')].reduce((sum, char) => sum * 36 + parseInt(char, 36), 0);
  return value(to) - value(from);
}

/** Glob matching by two pointers, in time linear in pattern × text at worst; no regular expression is built. */
function matchesGlob(pattern: string, text: string): boolean {
  let p = 0;
  let t = 0;
  let star = -1;
  let resume = 0;
  while (t < text.length) {
    if (pattern[p] === '*') {
      star = p++;
      resume = t;
    } else if (pattern[p] === '?' || pattern[p] === text[t]) {
      p++;
      t++;
    } else if (star >= 0) {
      p = star + 1;
      t = ++resume;
    } else return false;
  }
  while (pattern[p] === '*') p++;
  return p === pattern.length;
}
