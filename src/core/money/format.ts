import { currencyExponent } from './currency.ts';
import { toDecimal } from './decimal.ts';

/** By language, then by currency. */
type Formats = Map<string, Map<string, Intl.NumberFormat>>;
const formats: Record<'withSign' | 'bare', Formats> = { withSign: new Map(), bare: new Map() };

function formatFor(currency: string, language: string, as: keyof typeof formats): Intl.NumberFormat {
  let inLanguage = formats[as].get(language);
  if (!inLanguage) formats[as].set(language, (inLanguage = new Map()));
  let format = inLanguage.get(currency);
  if (!format) {
    const digits = currencyExponent(currency);
    format = new Intl.NumberFormat(language, {
      ...(as === 'withSign' ? { style: 'currency' as const, currency } : {}),
      minimumFractionDigits: digits,
      maximumFractionDigits: digits,
    });
    inLanguage.set(currency, format);
  }
  return format;
}

/**
 * An amount as people of that language write it, with the currency's sign. The decimal string goes to Intl as it
 * is (ECMA-402 formats decimal strings exactly), so no floating point touches the amount.
 */
export function formatMoney(minor: number, currency: string, language: string): string {
  return formatFor(currency, language, 'withSign').format(toDecimal(minor, currency) as `${number}`);
}

/** The same without the currency's sign, for columns that name the currency once. */
export function formatNumber(minor: number, currency: string, language: string): string {
  return formatFor(currency, language, 'bare').format(toDecimal(minor, currency) as `${number}`);
}
