import { inOrder } from '../ordered.ts';
import type { Measures } from '../cart/measures.ts';
import { resolveAmount, type LocalMoney } from '../money/local-amount.ts';
import type { Charge, LocalAmount } from '../policy/types.ts';

/** A charge ready to be computed: lines in order, amounts as plain minor units. */
export interface CompiledCharge {
  lines: CompiledChargeLine[];
  /** price when no line applies; null: the option is not offered then */
  otherwise: number | null;
}

export interface CompiledChargeLine {
  id: string;
  /** half-open range [from, to) of the chargeable goods value; always applies when unbounded */
  from: number;
  to: number;
  bounded: boolean;
  price: number;
}

/** What `decideCharge` answers when no line applies. */
export const OTHERWISE = -1;

/** @param money of the market the option is in; a following amount without an adopted rate makes a line never apply */
export function compileCharge(charge: Charge, money: LocalMoney): CompiledCharge {
  const amountOf = (amount: LocalAmount) => resolveAmount(amount, money) ?? Number.NaN;
  const lines = inOrder(charge.lines).map(([id, line]) => ({
    id,
    from: line.over ? amountOf(line.over.from) : 0,
    to: line.over?.to ? amountOf(line.over.to) : Infinity,
    bounded: line.over !== undefined,
    price: amountOf(line.price.fixed),
  }));
  return {
    lines: lines.filter(({ from, to, price }) => ![from, to, price].some(Number.isNaN)),
    otherwise: charge.otherwise.kind === 'price' ? resolveAmount(charge.otherwise.price, money) : null,
  };
}

/** Position of the first line that applies, or OTHERWISE. */
export function decideCharge(charge: CompiledCharge, measures: Measures): number {
  const value = measures.chargeableValue;
  for (let index = 0; index < charge.lines.length; index++) {
    const line = charge.lines[index]!;
    if (value >= line.from && value < line.to) return index;
  }
  return OTHERWISE;
}

/** The charge in minor units, or null when the option is not offered. */
export function priceOfCharge(charge: CompiledCharge, measures: Measures): number | null {
  const decided = decideCharge(charge, measures);
  return decided === OTHERWISE ? charge.otherwise : charge.lines[decided]!.price;
}

/** Every goods value at which the charge may change, ascending, in minor units. */
export function chargeBreakpoints(charge: CompiledCharge): number[] {
  const points = new Set<number>();
  for (const line of charge.lines) {
    if (line.from > 0) points.add(line.from);
    if (line.to !== Infinity) points.add(line.to);
  }
  return [...points].sort((a, b) => a - b);
}
