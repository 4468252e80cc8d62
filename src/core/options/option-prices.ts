import { presetOfCharge } from '../charges/presets.ts';
import { convertAmount } from '../money/convert.ts';
import { currencyExponent } from '../money/currency.ts';
import { localMoneyOf, resolveAmount, type LocalMoney } from '../money/local-amount.ts';
import { inOrder } from '../ordered.ts';
import type { LocalAmount, Policy } from '../policy/types.ts';

/** What an option costs, where its charge is flat or in steps. Minor units of its market's currency. */
export interface OptionPrices {
  id: string;
  zone: string;
  market: string;
  currency: string;
  /** null where it has no price of its own kind, or one that follows without a rate */
  lowest: number | null;
  highest: number | null;
  /** the highest in the base currency by the adopted rate; null without one */
  highestInBase: number | null;
}

/** Every option of every market that exists, in the order of markets, zones and options. */
export function pricesOfOptions(policy: Policy): OptionPrices[] {
  const options = inOrder(policy.options);
  const zones = inOrder(policy.zones);
  const byZone = new Map<string, typeof options>();
  for (const one of options) byZone.set(one[1].zone, [...(byZone.get(one[1].zone) ?? []), one]);
  return inOrder(policy.markets).flatMap(([market]) => {
    const money = localMoneyOf(policy, market);
    return zones
      .filter(([, zone]) => zone.market === market)
      .flatMap(([zone]) =>
        (byZone.get(zone) ?? []).map(([id, { charge }]): OptionPrices => {
          const prices = pricesOf(charge).map((amount) => resolveAmount(amount, money));
          const known = prices.filter((price) => price !== null);
          const all = known.length > 0 && known.length === prices.length;
          const highest = all ? Math.max(...known) : null;
          return {
            id,
            zone,
            market,
            currency: money.currency,
            lowest: all ? Math.min(...known) : null,
            highest,
            highestInBase: highest === null ? null : inBase(highest, money),
          };
        }),
      );
  });
}

function pricesOf(charge: Parameters<typeof presetOfCharge>[0]): LocalAmount[] {
  const preset = presetOfCharge(charge);
  if (preset?.kind === 'flat') return [preset.price];
  return preset && 'steps' in preset ? preset.steps.map(({ price }) => price) : [];
}

const inBase = (minor: number, { currency, baseCurrency, rate }: LocalMoney): number | null =>
  rate === null
    ? null
    : convertAmount(
        minor,
        { rate, exponent: currencyExponent(currency) },
        { rate: '1', exponent: currencyExponent(baseCurrency) },
      );
