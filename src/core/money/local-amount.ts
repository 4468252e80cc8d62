import type { FollowingAmount, LocalAmount, Policy } from '../policy/types.ts';
import { convertAmount, exactConversion } from './convert.ts';
import { currencyExponent, minorPerMajor } from './currency.ts';
import { multiply, ratioOf, roundRatio } from './ratio.ts';
import { atMostLargest, largestAmount, toCashIncrement } from './rounding.ts';

/** What turns a market's local amounts into minor units. */
export interface LocalMoney {
  currency: string;
  baseCurrency: string;
  /** the adopted rate of the currency; "1" for the base currency, null when none has been adopted */
  rate: string | null;
  cashIncrement: number | undefined;
}

/** The local money of a market under the rates that the policy has adopted. */
export function localMoneyOf(policy: Pick<Policy, 'store' | 'rates' | 'markets'>, marketId: string): LocalMoney {
  const market = policy.markets[marketId];
  const currency = market?.currency ?? policy.store.baseCurrency;
  const baseCurrency = policy.store.baseCurrency;
  return {
    currency,
    baseCurrency,
    rate: currency === baseCurrency ? '1' : (policy.rates?.[currency]?.rate ?? null),
    cashIncrement: market?.cashIncrement,
  };
}

/**
 * A local amount in minor units (2-domain §1). An exact one is what it says. A following one is base × rate ×
 * (1 + buffer), rounded once to its step, less its ending, then to the market's cash increment; never below 0.
 *
 * @returns null for a following amount in a currency without an adopted rate; at most `largestAmount`
 */
export function resolveAmount(amount: LocalAmount, money: LocalMoney): number | null {
  if ('exact' in amount) return amount.exact;
  if (money.rate === null) return null;
  const { base, buffer, round, step, less } = amount.following;
  const converted = exactConversion(
    base,
    { rate: '1', exponent: currencyExponent(money.baseCurrency) },
    { rate: money.rate, exponent: currencyExponent(money.currency) },
  );
  const percent = ratioOf(buffer);
  const buffered = multiply(converted, {
    numerator: percent.numerator + 100n * percent.denominator,
    denominator: 100n * percent.denominator,
  });
  if (buffered.numerator > BigInt(largestAmount) * buffered.denominator) return largestAmount;
  const steps = roundRatio(multiply(buffered, { numerator: 1n, denominator: BigInt(step) }), round);
  return atMostLargest(Math.max(0, toCashIncrement(steps * step - less, money.cashIncrement)));
}

/**
 * A following amount that comes to about a local one: the nearest whole amount of the base currency, rounded here to the
 * nearest step.
 *
 * @param minor of the local currency @param step minor units of the local currency
 * @returns null in the base currency itself, without an adopted rate, and where it would come to nothing
 */
export function followingNear(minor: number, money: LocalMoney, step: number): FollowingAmount | null {
  if (money.currency === money.baseCurrency || money.rate === null) return null;
  const sides = [
    { rate: money.rate, exponent: currencyExponent(money.currency) },
    { rate: '1', exponent: 0 },
  ] as const;
  const major = Math.max(1, convertAmount(minor, ...sides));
  const amount: FollowingAmount = {
    following: { base: major * minorPerMajor(money.baseCurrency), buffer: '0', round: 'nearest', step, less: 0 },
  };
  return resolveAmount(amount, money)! > 0 ? amount : null;
}
