import { isCurrency } from '../../core/money/currency.ts';
import { parseAmount } from '../../core/money/decimal.ts';
import { isCountry } from '../../core/geography/country.ts';
import { lengthUnits, readMeasure, weightUnits } from '../../core/quantities/units.ts';
import type { Coordinates } from '../../core/geography/distance.ts';
import { timeZoneByName } from '../../core/geography/zone-by-name.ts';
import { countryByName } from '../../core/geography/country-names.ts';
import type { Parsed } from '../../ui/TypedField.tsx';

/** Reads a percentage, with `.` or `,`; kept as it is written. */
export function parsePercent(text: string): Parsed<string> {
  const plain = text
    .trim()
    .replace(',', '.')
    .replace(/^0+(?=\d)/, '')
    .replace(/\s*%$/, '');
  return /^(0|[1-9][0-9]{0,2})(\.[0-9]{1,4})?$/.test(plain)
    ? { ok: true, value: plain }
    : { ok: false, reason: 'A percentage such as 21 or 5.5.' };
}

export const parsePercentTo =
  (most: number) =>
  (text: string): Parsed<string> => {
    const parsed = parsePercent(text);
    return parsed.ok && Number(parsed.value) <= most
      ? parsed
      : { ok: false, reason: `A percentage from 0 to ${most}.` };
  };

export const parseWhole =
  (least: number, most: number) =>
  (text: string): Parsed<number> => {
    const value = Number(text.trim());
    return /^\d{1,10}$/.test(text.trim()) && value >= least && value <= most
      ? { ok: true, value }
      : { ok: false, reason: `A whole number from ${least}${most < 1_000_000_000 ? ` to ${most}` : ''}.` };
  };

/** The same, with nothing typed meaning none. */
export const orNone =
  <T>(parse: (text: string) => Parsed<T>) =>
  (text: string): Parsed<T | undefined> =>
    text.trim() === '' ? { ok: true, value: undefined } : parse(text);

/** An id, as carriers and tax classes have it. */
export const parseId = (text: string): Parsed<string> =>
  /^[a-z0-9][a-z0-9-]{0,39}$/.test(text.trim())
    ? { ok: true, value: text.trim() }
    : { ok: false, reason: 'Small letters, digits and hyphens.' };

export function parseCountry(text: string): Parsed<string> {
  const code = text.trim().toUpperCase();
  const found = isCountry(code) ? code : countryByName(text);
  return found ? { ok: true, value: found } : { ok: false, reason: 'A country, by its name or its two letters.' };
}

export function parseTimeZone(text: string): Parsed<string> {
  const zone = timeZoneByName(text);
  return zone === null
    ? { ok: false, reason: 'A time zone such as Europe/Berlin, or its city.' }
    : { ok: true, value: zone };
}

export const parseTime = (text: string): Parsed<string> =>
  /^([01]\d|2[0-3]):[0-5]\d$/.test(text.trim())
    ? { ok: true, value: text.trim() }
    : { ok: false, reason: 'A time such as 16:00.' };

/** An amount of a currency, in minor units. */
export const parseMoney =
  (currency: string) =>
  (text: string): Parsed<number> => {
    const parsed = parseAmount(text, currency);
    return parsed.ok ? { ok: true, value: parsed.minor } : parsed;
  };

/** A weight as people write it, in whole grams: “500”, “1.5 kg”, “2 lb”, “12 oz”. */
export const parseGrams =
  (least: number, most: number) =>
  (text: string): Parsed<number> => {
    const grams = readMeasure(text, weightUnits);
    return grams !== null && grams >= least && grams <= most
      ? { ok: true, value: grams }
      : { ok: false, reason: 'A weight such as 500, 1.5 kg, 2 lb or 12 oz.' };
  };

/** A length as people write it, in whole mm: “300”, “30 cm”, “12 in”. */
export const parseMillimetres =
  (least: number, most: number) =>
  (text: string): Parsed<number> => {
    const mm = readMeasure(text, lengthUnits);
    return mm !== null && mm >= least && mm <= most
      ? { ok: true, value: mm }
      : { ok: false, reason: 'A length such as 300, 30 cm or 12 in.' };
  };

const weights: ReadonlySet<string> = new Set(['weight', 'chargeableWeight', 'cart.weight', 'cart.chargeableWeight']);
const lengths: ReadonlySet<string> = new Set(['longestSide', 'cart.longestSide']);

/** A whole number of what a measure or a fact counts; a weight or a length as people write it. */
export function parseMeasured(measure: string, least: number, most: number): (text: string) => Parsed<number> {
  if (weights.has(measure)) return parseGrams(least, most);
  return lengths.has(measure) ? parseMillimetres(least, most) : parseWhole(least, most);
}

/** A position such as “53.1, 4.85”: degrees north, then east. */
export function parsePosition(text: string): Parsed<Coordinates> {
  const [latitude, longitude, ...more] = text
    .split(/\s*[,;]\s*|\s+/)
    .filter(Boolean)
    .map(Number);
  const fits = more.length === 0 && Math.abs(latitude ?? NaN) <= 90 && Math.abs(longitude ?? NaN) <= 180;
  return fits
    ? { ok: true, value: { latitude: latitude!, longitude: longitude! } }
    : { ok: false, reason: 'Degrees north and east, such as 53.1, 4.85.' };
}

export function parseName(text: string): Parsed<string> {
  const plain = text.trim();
  if (plain === '') return { ok: false, reason: 'It needs a name.' };
  return plain.length > 120 ? { ok: false, reason: 'At most 120 characters.' } : { ok: true, value: plain };
}

export function parseCurrency(text: string): Parsed<string> {
  const code = text.trim().toUpperCase();
  return isCurrency(code)
    ? { ok: true, value: code }
    : { ok: false, reason: 'A currency’s three letters, such as EUR.' };
}

export const parseNumber =
  (least: number, most: number) =>
  (text: string): Parsed<number> => {
    const value = Number(text.trim().replace(',', '.'));
    return text.trim() !== '' && Number.isFinite(value) && value >= least && value <= most
      ? { ok: true, value }
      : { ok: false, reason: `A number from ${least} to ${most}.` };
  };

export const parseText =
  (most: number) =>
  (text: string): Parsed<string> =>
    text.length > most ? { ok: false, reason: `At most ${most} characters.` } : { ok: true, value: text.trim() };
