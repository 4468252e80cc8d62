export type DecimalMark = 'point' | 'comma';

type ReadNumber = { ok: true; minor: number; rounded: boolean } | { ok: false };

/**
 * Reads a number of an export as a whole count of its 10^−exponent parts: "1.234,50" with a comma and exponent 2 is
 * 123450. Grouping marks (the other mark, spaces, apostrophes), a currency sign or code before or after and a leading
 * minus are taken for what they are. Digits beyond the exponent are rounded half away from zero, and that is said.
 */
export function readNumber(text: string, mark: DecimalMark, exponent: number): ReadNumber {
  // Nearly all numbers are digits with at most one mark, and many million are read.
  const quick = quickly(text, mark === 'point' ? 46 : 44, exponent);
  if (quick >= 0) return { ok: true, minor: quick, rounded: false };
  const plain = text.trim();
  let match = mark === 'point' ? plainPoint.exec(plain) : plainComma.exec(plain);
  if (!match) {
    const bare = plain
      .replace(/^([-−]?)\s*[A-Za-z€£$¥]{1,3}\.?\s*/, '$1')
      .replace(/\s*[A-Za-z€£$¥]{1,3}\.?$/, '')
      .replace('−', '-');
    const grouped = mark === 'point' ? groupedPoint : groupedComma;
    const found = grouped.exec(bare);
    if (!found) return { ok: false };
    match = ['', found[1]!, found[2]!.replace(/\D/g, ''), found[3] ?? ''] as unknown as RegExpExecArray;
  }
  const sign = match[1] === '-' ? -1 : 1;
  const decimals = match[3] ?? '';
  if (decimals.length <= exponent)
    return { ok: true, minor: sign * Number(match[2]! + decimals.padEnd(exponent, '0')), rounded: false };
  const kept = Number(match[2]! + decimals.slice(0, exponent));
  const more = decimals.slice(exponent);
  return { ok: true, minor: sign * (kept + (more >= '5' ? 1 : 0)), rounded: /[1-9]/.test(more) };
}

/** Digits, perhaps a mark and no more digits than the exponent; −1 for anything else. */
function quickly(text: string, markCode: number, exponent: number): number {
  const length = text.length;
  if (length === 0 || length > 13) return -1;
  let value = 0;
  let decimals = -1;
  for (let i = 0; i < length; i++) {
    const code = text.charCodeAt(i);
    if (code >= 48 && code <= 57) {
      value = value * 10 + (code - 48);
      if (decimals >= 0) decimals++;
    } else if (code === markCode && decimals < 0 && i > 0) decimals = 0;
    else return -1;
  }
  if (decimals === 0 || decimals > exponent) return -1;
  for (let missing = exponent - Math.max(0, decimals); missing > 0; missing--) value *= 10;
  return value;
}

const plainPoint = /^(-?)(\d{1,13})(?:\.(\d{1,12}))?$/;
const plainComma = /^(-?)(\d{1,13})(?:,(\d{1,12}))?$/;
const groupedPoint = /^(-?)(\d{1,3}(?:[,\s'’]\d{3})+|\d{1,13})(?:\.(\d{1,12}))?$/;
const groupedComma = /^(-?)(\d{1,3}(?:[.\s'’]\d{3})+|\d{1,13})(?:,(\d{1,12}))?$/;

/** The decimal mark that sample values speak for; a point when they say nothing. */
export function guessDecimalMark(samples: Iterable<string>): DecimalMark {
  let point = 0;
  let comma = 0;
  for (const sample of samples) {
    const last = /([.,])(\d+)\D*$/.exec(sample.trim());
    if (!last || !/\d/.test(sample)) continue;
    const other = last[1] === '.' ? ',' : '.';
    // Three digits after a single mark may be thousands; both marks, or another number of digits, say which is which.
    if (last[2]!.length === 3 && !sample.includes(other)) continue;
    if (last[1] === '.') point++;
    else comma++;
  }
  return comma > point ? 'comma' : 'point';
}
