import { currencyExponent } from './currency.ts';
import { toDecimal } from './decimal.ts';

const formats = new Map<string, Intl.NumberFormat>();

function formatFor(currency: string, language: string, withCode: boolean): Intl.NumberFormat {
  const key = `${language}|${currency}|${withCode}`;
  let format = formats.get(key);
  if (!format) {
    const digits = currencyExponent(currency);
    format = new Intl.NumberFormat(language, {
      ...(withCode ? { style: 'currency' as const, currency } : {}),
      minimumFractionDigits: digits,
      maximumFractionDigits: digits,
    });
    formats.set(key, format);
  }
  return format;
}

/**
 * An amount as people of that language write it, with the currency's sign. The decimal string goes to Intl as it
 * is (ECMA-402 formats decimal strings exactly), so no floating point touches the amount.
 */
export function formatMoney(minor: number, currency: string, language: string): string {
  return formatFor(currency, language, true).format(toDecimal(minor, currency) as `${number}`);
}

/** The same without the currency's sign, for columns that name the currency once. */
export function formatNumber(minor: number, currency: string, language: string): string {
  return formatFor(currency, language, false).format(toDecimal(minor, currency) as `${number}`);
}
