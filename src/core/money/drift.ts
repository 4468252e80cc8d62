import { lowestThat } from '../lowest-that.ts';
import type { LocalAmount } from '../policy/types.ts';
import { convertAmount } from './convert.ts';
import { currencyExponent } from './currency.ts';
import { resolveAmount, type LocalMoney } from './local-amount.ts';
import type { DayRate } from './rate-history.ts';

/** What was promised in a currency against what a shop enforces that converts the base amount at the day's rate. */
export interface Drift {
  /** minor units of the local currency */
  promised: number;
  /** days of the history, each with what is enforced on it; minor units */
  days: { day: string; enforced: number }[];
  /** days on which more is enforced than was promised */
  misled: number;
  /** by how much at most, and when; null where nobody was misled */
  worst: { day: string; by: number } | null;
  /** least exact amount, a multiple of the step, that would have misled nobody; minor units */
  leastExact: number;
  /** least buffer, in steps of a tenth of a percent, that would have misled nobody; null for what no buffer up to 100 % mends */
  leastBuffer: string | null;
}

/**
 * Drift of an amount over a history of rates. Enforced is base × the day's rate, rounded once, half away from zero.
 *
 * @param amount as it is promised @param base what it stands for, minor units of the base currency
 * @param step round amounts of the local currency are multiples of it; minor units
 * @returns null where the promise cannot be worked out or there is no history
 */
export function driftOf(
  amount: LocalAmount,
  base: number,
  money: LocalMoney,
  history: readonly DayRate[],
  step: number,
): Drift | null {
  const promised = resolveAmount(amount, money);
  if (promised === null || history.length === 0) return null;
  const from = { rate: '1', exponent: currencyExponent(money.baseCurrency) };
  const exponent = currencyExponent(money.currency);
  const days = history.map(({ day, rate }) => ({ day, enforced: convertAmount(base, from, { rate, exponent }) }));
  const highest = Math.max(...days.map(({ enforced }) => enforced));
  let worst: Drift['worst'] = null;
  for (const { day, enforced } of days)
    if (enforced > promised && (!worst || enforced - promised > worst.by)) worst = { day, by: enforced - promised };
  const following =
    'following' in amount ? amount.following : { base, buffer: '0', round: 'nearest' as const, step, less: 0 };
  const buffered = (tenths: number) =>
    resolveAmount({ following: { ...following, buffer: tenthsAsPercent(tenths) } }, money) ?? 0;
  const least = lowestThat((tenths) => buffered(tenths) >= highest, 0, 1000);
  return {
    promised,
    days,
    misled: days.filter(({ enforced }) => enforced > promised).length,
    worst,
    leastExact: Math.ceil(highest / step) * step,
    leastBuffer: least === null ? null : tenthsAsPercent(least),
  };
}

const tenthsAsPercent = (tenths: number): string =>
  tenths % 10 === 0 ? String(tenths / 10) : `${Math.floor(tenths / 10)}.${tenths % 10}`;
