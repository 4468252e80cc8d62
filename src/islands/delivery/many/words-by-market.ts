import { ChargeWords } from '../../../core/charges/charge-in-words.ts';
import type { Policy } from '../../../core/policy/types.ts';

/** The way to say charges in each market, made when one is first asked for. */
export function wordsByMarket(policy: Policy, money: (minor: number, currency: string) => string) {
  const known = new Map<string, ChargeWords>();
  return (market: string): ChargeWords => {
    let words = known.get(market);
    if (!words) {
      const { currency } = policy.markets[market]!;
      known.set(market, (words = new ChargeWords(policy, market, (minor) => money(minor, currency))));
    }
    return words;
  };
}
