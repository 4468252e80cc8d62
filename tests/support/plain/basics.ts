import type { Amounts, LocalAmount, Policy } from '../../../src/core/policy/types.ts';

/** Half away from zero. */
export function round(numerator: bigint, denominator: bigint): number {
  const sign = numerator < 0n ? -1n : 1n;
  const size = numerator * sign;
  return Number(sign * ((size * 2n + denominator) / (denominator * 2n)));
}

const decimal = (text: string): [bigint, bigint] => {
  const [whole = '0', decimals = ''] = text.split('.');
  return [BigInt(whole + decimals), 10n ** BigInt(decimals.length)];
};

/** `percent` of an amount, and the tax contained in one that includes it. */
export function percentOf(amount: number, percent: string): number {
  const [n, d] = decimal(percent);
  return round(BigInt(amount) * n, 100n * d);
}

export function taxInside(amount: number, percent: string): number {
  const [n, d] = decimal(percent);
  return round(BigInt(amount) * n, 100n * d + n);
}

export const sum = (values: number[]): number => values.reduce((a, b) => a + b, 0);

export const sorted = <T extends { order: number }>(
  collection: Record<string, T> | undefined,
): { id: string; item: T }[] =>
  Object.keys(collection ?? {})
    .sort()
    .map((id) => ({ id, item: collection![id]! }))
    .sort((a, b) => a.item.order - b.item.order);

/** Largest remainder, ties by order of the lines. */
export function split(amount: number, weights: number[]): number[] {
  const total = sum(weights);
  if (total === 0) return weights.map(() => 0);
  const exact = weights.map((weight) => ({
    floor: Number((BigInt(amount) * BigInt(weight)) / BigInt(total)),
    rest: (BigInt(amount) * BigInt(weight)) % BigInt(total),
  }));
  const parts = exact.map(({ floor }) => floor);
  const order = weights
    .map((_, i) => i)
    .sort((a, b) => {
      if (exact[b]!.rest > exact[a]!.rest) return 1;
      if (exact[b]!.rest < exact[a]!.rest) return -1;
      return a - b;
    });
  for (let i = 0; sum(parts) < amount; i++) parts[order[i]!]! += 1;
  return parts;
}

const decimals: Record<string, number> = { EUR: 2, CHF: 2, JPY: 0, BHD: 3 };

export function toIncrement(minor: number, increment: number | undefined): number {
  return increment ? round(BigInt(minor), BigInt(increment)) * increment : minor;
}

/** A local amount in minor units: base × rate × (1 + buffer), to the step, less the ending, to the cash increment. */
export function minorOf(amount: LocalAmount, policy: Policy, marketId: string): number {
  if ('exact' in amount) return amount.exact;
  const { currency, cashIncrement } = policy.markets[marketId]!;
  const base = policy.store.baseCurrency;
  const [r, rd] = decimal(currency === base ? '1' : policy.rates![currency]!.rate);
  const [b, bd] = decimal(amount.following.buffer);
  const up = 10n ** BigInt(decimals[currency]!);
  const down = 10n ** BigInt(decimals[base]!);
  const numerator = BigInt(amount.following.base) * r * (100n * bd + b) * up;
  const denominator = rd * 100n * bd * down * BigInt(amount.following.step);
  const steps = {
    nearest: round(numerator, denominator),
    down: Number(numerator / denominator),
    up: Number((numerator + denominator - 1n) / denominator),
  }[amount.following.round];
  return Math.max(0, toIncrement(steps * amount.following.step - amount.following.less, cashIncrement));
}

export function amountHere(amounts: Amounts | undefined, policy: Policy, marketId: string): number | null {
  const amount = amounts?.[marketId];
  return amount ? minorOf(amount, policy, marketId) : null;
}

/** The clock face somewhere, as sortable text, weekday and minute of the day. */
export function clockFace(
  timeZone: string,
  instant: number,
): { text: string; weekday: number; minute: number; day: string } {
  const parts = new Intl.DateTimeFormat('sv-SE', { timeZone, dateStyle: 'short', timeStyle: 'medium' }).format(
    new Date(instant),
  );
  const [day, time] = parts.split(' ') as [string, string];
  const weekday = new Date(`${day}T12:00:00Z`).getUTCDay() || 7;
  return {
    text: `${day}T${time.slice(0, 5)}`,
    weekday,
    minute: Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5)),
    day,
  };
}
