import type { LocalAmount, Policy } from '../policy/types.ts';
import { convertAmount } from './convert.ts';
import { currencyExponent } from './currency.ts';
import { localMoneyOf, resolveAmount } from './local-amount.ts';

/**
 * A market's amount as another market would have it: the same in the same currency, exact in the base currency, elsewhere
 * following it.
 *
 * @param step what it is rounded to there, minor units
 * @returns null where it cannot be worked out for want of an adopted rate
 */
export function spreadAmount(
  amount: LocalAmount,
  from: string,
  to: string,
  step: number,
  policy: Pick<Policy, 'store' | 'rates' | 'markets'>,
): LocalAmount | null {
  const [own, there] = [localMoneyOf(policy, from), localMoneyOf(policy, to)];
  if (own.currency === there.currency) return amount;
  const minor = resolveAmount(amount, own);
  if (minor === null || own.rate === null || there.rate === null) return null;
  const base = convertAmount(
    minor,
    { rate: own.rate, exponent: currencyExponent(own.currency) },
    { rate: '1', exponent: currencyExponent(own.baseCurrency) },
  );
  if (there.currency === there.baseCurrency)
    return { exact: Math.max(minor > 0 ? step : 0, Math.round(base / step) * step) };
  return { following: { base, buffer: '0', round: 'nearest', step, less: 0 } };
}
