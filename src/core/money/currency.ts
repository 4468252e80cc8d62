/**
 * Currencies and their minor units.
 *
 * Source: ISO 4217, list one (current codes). Funds, metals and test codes carry no minor unit there
 * ("N.A.") and are not accepted for prices.
 */

const codesByExponent: Record<number, string> = {
  0: 'BIF CLP DJF GNF ISK JPY KMF KRW PYG RWF UGX UYI VND VUV XAF XOF XPF',
  2:
    'AED AFN ALL AMD ANG AOA ARS AUD AWG AZN BAM BBD BDT BGN BMD BND BOB BOV BRL BSD BTN BWP BYN BZD CAD CDF CHE CHF ' +
    'CHW CNY COP COU CRC CUC CUP CVE CZK DKK DOP DZD EGP ERN ETB EUR FJD FKP GBP GEL GHS GIP GMD GTQ GYD HKD HNL HTG ' +
    'HUF IDR ILS INR IRR JMD KES KGS KHR KPW KYD KZT LAK LBP LKR LRD LSL MAD MDL MGA MKD MMK MNT MOP MRU MUR MVR MWK ' +
    'MXN MXV MYR MZN NAD NGN NIO NOK NPR NZD PAB PEN PGK PHP PKR PLN QAR RON RSD RUB SAR SBD SCR SDG SEK SGD SHP SLE ' +
    'SOS SRD SSP STN SVC SYP SZL THB TJS TMT TOP TRY TTD TWD TZS UAH USD USN UYU UZS VED VES WST XCD YER ZAR ZMW ZWG',
  3: 'BHD IQD JOD KWD LYD OMR TND',
  4: 'CLF UYW',
};

const exponents = new Map<string, number>();
for (const [exponent, codes] of Object.entries(codesByExponent)) {
  for (const code of codes.split(' ')) exponents.set(code, Number(exponent));
}

/** Every current code, in alphabetical order. */
export const currencyCodes: readonly string[] = [...exponents.keys()].sort();

export function isCurrency(code: string): boolean {
  return exponents.has(code);
}

/** Number of decimal digits of the minor unit. @throws RangeError for a code that is not a current currency */
export function currencyExponent(code: string): number {
  const exponent = exponents.get(code);
  if (exponent === undefined) throw new RangeError(`"${code}" is not a current ISO 4217 currency`);
  return exponent;
}

/** Minor units in what a price tag would call one: a major unit, or a hundred of a currency without smaller coins. */
export function priceUnit(code: string): number {
  const unit = minorPerMajor(code);
  return unit === 1 ? 100 : unit;
}

/** Minor units in one major unit: 100 for EUR, 1 for JPY. */
export function minorPerMajor(code: string): number {
  return 10 ** currencyExponent(code);
}
