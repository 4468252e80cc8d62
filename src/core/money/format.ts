import { currencyExponent } from './currency.ts';
import { toDecimal } from './decimal.ts';

/** How amounts of a currency are written in a language, and those that have been: carts and pages come to the same ones again and again. */
interface Writing {
  format: Intl.NumberFormat;
  written: Map<number, string>;
}
/** By language, then by currency. */
type Writings = Map<string, Map<string, Writing>>;
const writings: Record<'withSign' | 'bare', Writings> = { withSign: new Map(), bare: new Map() };
/** Amounts that have been written, of all currencies and languages, and as many as are kept. */
let amounts = 0;
const mostAmounts = 20_000;

function writingFor(currency: string, language: string, as: keyof typeof writings): Writing {
  let inLanguage = writings[as].get(language);
  if (!inLanguage) writings[as].set(language, (inLanguage = new Map()));
  let writing = inLanguage.get(currency);
  if (!writing) {
    const digits = currencyExponent(currency);
    const format = new Intl.NumberFormat(language, {
      ...(as === 'withSign' ? { style: 'currency' as const, currency } : {}),
      minimumFractionDigits: digits,
      maximumFractionDigits: digits,
    });
    inLanguage.set(currency, (writing = { format, written: new Map() }));
  }
  return writing;
}

function write(minor: number, currency: string, { format, written }: Writing): string {
  let text = written.get(minor);
  if (text === undefined) {
    if (amounts >= mostAmounts) forgetAmounts();
    written.set(minor, (text = format.format(toDecimal(minor, currency) as `${number}`)));
    amounts++;
  }
  return text;
}

function forgetAmounts(): void {
  for (const byLanguage of Object.values(writings))
    for (const byCurrency of byLanguage.values()) for (const { written } of byCurrency.values()) written.clear();
  amounts = 0;
}

/**
 * An amount as people of that language write it, with the currency's sign. The decimal string goes to Intl as it
 * is (ECMA-402 formats decimal strings exactly), so no floating point touches the amount.
 */
export const formatMoney = (minor: number, currency: string, language: string): string =>
  write(minor, currency, writingFor(currency, language, 'withSign'));

/** The same without the currency's sign, for columns that name the currency once. */
export const formatNumber = (minor: number, currency: string, language: string): string =>
  write(minor, currency, writingFor(currency, language, 'bare'));
