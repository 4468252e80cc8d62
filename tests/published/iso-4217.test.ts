// Source: ISO 4217 list one as carried by the npm package `currency-codes` (publication date in the package).
import currencyCodes from 'currency-codes';
import { expect, test } from 'vitest';
import { currencyExponent, isCurrency } from '../../src/core/money/currency.ts';

/** Codes without a minor unit in the standard ("N.A."): metals, funds, testing. The package writes 0 for them. */
const withoutMinorUnit = new Set([
  'XAG',
  'XAU',
  'XBA',
  'XBB',
  'XBC',
  'XBD',
  'XDR',
  'XPD',
  'XPT',
  'XSU',
  'XTS',
  'XUA',
  'XXX',
]);

test('every current currency has the exponent of the standard', () => {
  expect(currencyCodes.data.length).toBeGreaterThan(170);
  for (const { code, digits } of currencyCodes.data) {
    if (withoutMinorUnit.has(code)) expect(isCurrency(code), code).toBe(false);
    else expect([code, currencyExponent(code)]).toEqual([code, digits]);
  }
});

test('an unknown code is refused, not assumed to have two decimals', () => {
  expect(() => currencyExponent('DEM')).toThrow(/DEM/);
});
