import { currencyExponent } from './currency.ts';

/** Minor units as a plain decimal string in major units: 6000 EUR is "60.00", 6000 JPY is "6000". */
export function toDecimal(minor: number, currency: string): string {
  const exponent = currencyExponent(currency);
  const digits = String(Math.abs(minor)).padStart(exponent + 1, '0');
  const sign = minor < 0 ? '-' : '';
  if (exponent === 0) return sign + digits;
  return `${sign}${digits.slice(0, -exponent)}.${digits.slice(-exponent)}`;
}

type ParsedAmount = { ok: true; minor: number } | { ok: false; reason: string };

/**
 * Reads an amount a person typed, with `.` or `,` as decimal separator; nothing is guessed: "1.234" for EUR is
 * refused as having too many decimals, it is not taken for a thousand.
 */
export function parseAmount(text: string, currency: string): ParsedAmount {
  const exponent = currencyExponent(currency);
  const match = /^([0-9]{1,12})(?:[.,]([0-9]*))?$/.exec(text.trim());
  if (!match)
    return { ok: false, reason: `Write an amount such as ${exponent ? `60.${'0'.repeat(exponent)}` : '6000'}.` };
  const decimals = match[2] ?? '';
  if (decimals.length > exponent) {
    const allowed = exponent === 0 ? 'no decimals' : `at most ${exponent} decimals`;
    return { ok: false, reason: `${currency} has ${allowed}.` };
  }
  return { ok: true, minor: Number(match[1]! + decimals.padEnd(exponent, '0')) };
}
