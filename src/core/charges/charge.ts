import { atMostLargest, percentOf } from '../money/rounding.ts';
import type { Charge } from '../policy/types.ts';
import type { ChargeInput, DecisionPath } from './charge-input.ts';
import { chargeMeasureOf } from './charge-measure-of.ts';
import type { CompiledCharge, CompiledChargeLine } from './compile-charge.ts';

export function lineApplies(line: CompiledChargeLine, charge: CompiledCharge, { facts }: ChargeInput): boolean {
  if (line.range) {
    const value = chargeMeasureOf(line.range.measure, facts.cart, charge.weighing);
    if (value < line.range.from || value >= line.range.to) return false;
  }
  return line.when === null || line.when.holds(facts);
}

/** The lines that take part in a charge, with their prices: the first that applies, or all that do. */
export function linesOfCharge(
  charge: CompiledCharge,
  input: ChargeInput,
): { line: CompiledChargeLine; price: number }[] {
  const found: { line: CompiledChargeLine; price: number }[] = [];
  for (const line of charge.lines) {
    if (!lineApplies(line, charge, input)) continue;
    const price = line.price.priceOf(input, charge.weighing, null);
    if (price === null) continue;
    found.push({ line, price });
    if (charge.combine === 'first') break;
  }
  return found;
}

/** The charge in minor units, handling not yet added; null when the option is not offered. */
export function priceOfCharge(charge: CompiledCharge, input: ChargeInput, path: DecisionPath = null): number | null {
  let price: number | null = null;
  let decides = -1;
  for (let index = 0; index < charge.lines.length; index++) {
    const line = charge.lines[index]!;
    if (!lineApplies(line, charge, input)) continue;
    const next = line.price.priceOf(input, charge.weighing, path);
    if (next === null) continue;
    path?.push(index);
    if (charge.combine === 'first') return next;
    const combined: number = price === null ? next : combine(charge.combine, price, next);
    if (combined !== price) decides = index;
    price = combined;
  }
  if (charge.combine !== 'sum') path?.push(decides);
  return price ?? charge.otherwise;
}

function combine(how: Exclude<Charge['combine'], 'first'>, price: number, next: number): number {
  switch (how) {
    case 'sum':
      return atMostLargest(price + next);
    case 'highest':
      return Math.max(price, next);
    case 'lowest':
      return Math.min(price, next);
  }
}

/** A charge with its handling: a fixed amount, or a percentage of the charge rounded once. */
export function withHandling({ handling }: CompiledCharge, price: number): number {
  if (handling === null) return price;
  return atMostLargest(price + ('amount' in handling ? handling.amount : percentOf(price, handling.percent)));
}
