/** Postcodes as they are compared: upper-case, without spaces and hyphens (2-domain §3). */
export function normalPostcode(postcode: string): string {
  return postcode.toUpperCase().replace(/[\s-]/g, '');
}

/** A postcode pattern that has been read. `narrowness` grows as the pattern covers less, among patterns of one kind. */
export type PostcodePattern = { narrowness: number; text: string } & (
  | { kind: 'exact' }
  /** `*` is any run of characters, `?` one of them */
  | { kind: 'glob' }
  /** inclusive ends, compared as numbers with the digits that a postcode begins with */
  | { kind: 'range'; by: 'digits'; from: number; to: number }
  /** inclusive ends, compared character by character with as much of a postcode as the end is long */
  | { kind: 'range'; by: 'letters'; from: string; to: string }
);

type ParsedPattern = { ok: true; pattern: PostcodePattern } | { ok: false; reason: string };

/**
 * Reads a pattern: an exact postcode, one with `*` (any run) and `?` (one character), or an inclusive range
 * `1000..1999`. A range whose ends are both digits compares numerically, with the digits a postcode begins with, so
 * that it covers "1799 ZA"; any other range compares the beginning of a postcode that is as long as the end, so that
 * `ZZ1..ZZ9` covers "ZZ9 1AA" (2-domain §3). `text` is the pattern as it is compared.
 */
export function parsePostcodePattern(text: string): ParsedPattern {
  const range = text.split('..');
  if (range.length === 2) return parseRange(normalPostcode(range[0]!), normalPostcode(range[1]!));
  const normal = normalPostcode(text);
  if (range.length > 2 || !/^[A-Z0-9*?]+$/.test(normal))
    return { ok: false, reason: 'must be a postcode, one with * or ?, or a range such as 1000..1999' };
  if (!/[*?]/.test(normal)) return { ok: true, pattern: { kind: 'exact', narrowness: normal.length, text: normal } };
  return { ok: true, pattern: { kind: 'glob', narrowness: normal.replace(/[*?]/g, '').length, text: normal } };
}

function parseRange(from: string, to: string): ParsedPattern {
  if (!/^[A-Z0-9]+$/.test(from) || !/^[A-Z0-9]+$/.test(to))
    return { ok: false, reason: 'both ends of a range must be postcodes without wildcards' };
  const text = `${from}..${to}`;
  if (/^\d+$/.test(from) && /^\d+$/.test(to)) {
    const [low, high] = [Number(from), Number(to)];
    if (low > high) return { ok: false, reason: 'the range ends before it begins' };
    return { ok: true, pattern: { kind: 'range', by: 'digits', from: low, to: high, narrowness: -(high - low), text } };
  }
  if (from > lastUnder(to)) return { ok: false, reason: 'the range ends before it begins' };
  return { ok: true, pattern: { kind: 'range', by: 'letters', from, to, narrowness: -spread(from, to), text } };
}

/** What no postcode that begins with an end of a range lies beyond, as text is ordered. */
export const lastUnder = (end: string): string => `${end}\uffff`;

/** How many codes lie between two ends, read as base-36 numbers of one length; only used to compare ranges. */
function spread(from: string, to: string): number {
  const length = Math.max(from.length, to.length);
  const value = (code: string) => [...code].reduce((sum, char) => sum * 36 + parseInt(char, 36), 0);
  return value(to.padEnd(length, 'Z')) - value(from.padEnd(length, '0'));
}

/** The digits a postcode begins with, as a number; null when it begins with none. */
export function leadingDigits(normal: string): number | null {
  const digits = /^\d+/.exec(normal);
  return digits ? Number(digits[0]) : null;
}

/** @param normal a postcode as it is compared */
export function matchesPattern(pattern: PostcodePattern, normal: string): boolean {
  switch (pattern.kind) {
    case 'exact':
      return normal === pattern.text;
    case 'glob':
      return matchesGlob(pattern.text, normal);
    case 'range': {
      if (pattern.by === 'letters') return normal >= pattern.from && normal <= lastUnder(pattern.to);
      const digits = leadingDigits(normal);
      return digits !== null && digits >= pattern.from && digits <= pattern.to;
    }
  }
}

/** Glob matching by two pointers, in time linear in pattern × text at worst; no regular expression is built. */
export function matchesGlob(pattern: string, text: string): boolean {
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
