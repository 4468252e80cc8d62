import { chargeOfPreset, presetOfCharge, type ChargePreset } from '../charges/presets.ts';
import { minorPerMajor } from '../money/currency.ts';
import { parseAmount } from '../money/decimal.ts';
import { localMoneyOf, resolveAmount } from '../money/local-amount.ts';
import { largestAmount, percentAsFraction, percentOf } from '../money/rounding.ts';
import { inOrder } from '../ordered.ts';
import type { Charge, LocalAmount, Policy } from '../policy/types.ts';
import { same } from '../same.ts';

/** How prices are moved: by an amount of each option's own currency, or by a percentage. Signed decimal texts. */
export type PriceStep = { kind: 'amount'; by: string } | { kind: 'percent'; by: string };

/** What the new prices are brought to: nothing, multiples of a whole or part of a unit, or an ending such as .95. */
export type PriceRounding = { kind: 'none' } | { kind: 'multiple'; of: string } | { kind: 'ending'; of: string };

/** What moving prices would change. */
export interface PriceChanges {
  /** option → its charge with the new prices, only where it differs */
  charges: Map<string, Charge>;
  /** option → why it stays as it is */
  left: Map<string, string>;
}

const signed = (text: string): { sign: 1 | -1; plain: string } => {
  const trimmed = text.trim().replace(/^\+\s*/, '');
  return /^[-−]/.test(trimmed) ? { sign: -1, plain: trimmed.slice(1).trim() } : { sign: 1, plain: trimmed };
};

/** Whether a step can be read at all, in some currency. */
export const isPriceStep = ({ kind, by }: PriceStep): boolean =>
  (kind === 'amount' ? /^\d{1,7}([.,]\d{1,3})?$/ : /^(0|[1-9]\d{0,2})([.,]\d{1,4})?$/).test(signed(by).plain);

/** The nearest amount that is a multiple of a step once `less` is added to it; of two as near the higher. Minor units. */
const nearest = (minor: number, step: number, less: number): number =>
  Math.floor((minor + less) / step + 0.5) * step - less;

/** A price brought to its rounding; null where the currency cannot say it. */
function rounded(minor: number, rounding: PriceRounding, currency: string): number | null {
  if (rounding.kind === 'none') return minor;
  const amount = parseAmount(rounding.of, currency);
  if (!amount.ok || amount.minor < 1) return null;
  if (rounding.kind === 'multiple') return nearest(minor, amount.minor, 0);
  const unit = minorPerMajor(currency);
  return amount.minor < unit ? nearest(minor, unit, unit - amount.minor) : null;
}

/**
 * Moves the prices of options: those of flat charges and of every step, never the edges of steps. What is free stays free, and
 * no price falls below 0. A following price becomes an exact one.
 *
 * @param ids of the options, all of them when null
 * @param step one that `isPriceStep` takes
 */
export function changePrices(
  policy: Policy,
  ids: ReadonlySet<string> | null,
  step: PriceStep,
  rounding: PriceRounding,
): PriceChanges {
  const changes: PriceChanges = { charges: new Map(), left: new Map() };
  for (const [id, { zone, charge }] of inOrder(policy.options)) {
    if (ids && !ids.has(id)) continue;
    const preset = presetOfCharge(charge);
    const money = localMoneyOf(policy, policy.zones[zone]?.market ?? '');
    const moved = (amount: LocalAmount): LocalAmount => {
      const minor = resolveAmount(amount, money);
      if (minor === null) throw new CannotMove(`no rate of ${money.currency} has been adopted`);
      return minor === 0 ? amount : { exact: movedTo(minor, step, rounding, money.currency) };
    };
    try {
      const next = preset && withPrices(preset, moved);
      if (!next) changes.left.set(id, 'it is neither flat nor in steps');
      else if (!same(chargeOfPreset(next), charge)) changes.charges.set(id, chargeOfPreset(next));
    } catch (error) {
      if (!(error instanceof CannotMove)) throw error;
      changes.left.set(id, error.message);
    }
  }
  return changes;
}

/** Why an option's prices cannot be moved as was asked. */
class CannotMove extends Error {}

function movedTo(minor: number, step: PriceStep, rounding: PriceRounding, currency: string): number {
  const { sign, plain } = signed(step.by);
  const by =
    step.kind === 'amount' ? amountOf(plain, currency) : percentOf(minor, percentAsFraction(plain.replace(',', '.')));
  const next = rounded(Math.max(0, minor + sign * by), rounding, currency);
  if (next === null) throw new CannotMove(`${currency} has no such rounding`);
  if (next > largestAmount) throw new CannotMove('it would become too large');
  return Math.max(0, next);
}

function amountOf(plain: string, currency: string): number {
  const amount = parseAmount(plain, currency);
  if (!amount.ok) throw new CannotMove(`${currency} has no amount of ${plain}`);
  return amount.minor;
}

/** A charge with its prices moved; null where it is neither flat nor in steps. */
function withPrices(preset: ChargePreset, moved: (amount: LocalAmount) => LocalAmount): ChargePreset | null {
  switch (preset.kind) {
    case 'flat':
      return { ...preset, price: moved(preset.price) };
    case 'stepsByValue':
      return { ...preset, steps: preset.steps.map((one) => ({ ...one, price: moved(one.price) })) };
    case 'stepsByCount':
      return { ...preset, steps: preset.steps.map((one) => ({ ...one, price: moved(one.price) })) };
    default:
      return null;
  }
}
