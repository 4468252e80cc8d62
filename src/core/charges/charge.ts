import type { Measures } from '../cart/measures.ts';
import { resolveAmount, type LocalMoney } from '../money/local-amount.ts';
import { multiplyDivide } from '../money/rounding.ts';
import { inOrder } from '../ordered.ts';
import type { Charge, ChargeLine, LocalAmount } from '../policy/types.ts';
import { chargeMeasure, type ChargeMeasure } from './charge-measure.ts';

/** A charge ready to be computed: lines in order, amounts as plain minor units. */
export interface CompiledCharge {
  combine: Charge['combine'];
  lines: CompiledChargeLine[];
  /** price when no line applies; null: the option is not offered then */
  otherwise: number | null;
  /** cm³ that count as one kilogram */
  volumeDivisor: number;
}

export interface CompiledChargeLine {
  id: string;
  /** half-open range [from, to) of a measure; null: applies whatever the cart */
  range: { measure: ChargeMeasure; from: number; to: number } | null;
  fixed: number;
  perUnit: { measure: ChargeMeasure; from: number; amount: number; per: number; started: boolean } | null;
  min: number;
  max: number;
}

/** Common practice for parcels: 5000 cm³ count as a kilogram. */
const usualVolumeDivisor = 5000;

/** @param money of the market the option is in; a following amount without an adopted rate makes a line never apply */
export function compileCharge(charge: Charge, money: LocalMoney): CompiledCharge {
  return {
    combine: charge.combine,
    lines: inOrder(charge.lines).flatMap(([id, line]) => compileLine(id, line, money)),
    otherwise: charge.otherwise.kind === 'price' ? resolveAmount(charge.otherwise.price, money) : null,
    volumeDivisor: charge.volumeDivisor ?? usualVolumeDivisor,
  };
}

function compileLine(id: string, { over, price }: ChargeLine, money: LocalMoney): CompiledChargeLine[] {
  let complete = true;
  const minor = (amount: LocalAmount | number): number => {
    const resolved = typeof amount === 'number' ? amount : resolveAmount(amount, money);
    complete &&= resolved !== null;
    return resolved ?? 0;
  };
  const range = over ? { measure: over.measure, from: minor(over.from), to: over.to === null ? Infinity : minor(over.to) } : null;
  const per = price.perUnit;
  const line: CompiledChargeLine = {
    id,
    range,
    fixed: minor(price.fixed),
    perUnit: per ? { measure: per.measure, from: range?.measure === per.measure ? range.from : 0, amount: minor(per.amount), per: per.per, started: per.started } : null,
    min: price.min ? minor(price.min) : 0,
    max: price.max ? minor(price.max) : Infinity,
  };
  return complete ? [line] : [];
}

export function lineApplies(line: CompiledChargeLine, charge: CompiledCharge, measures: Measures): boolean {
  if (!line.range) return true;
  const value = chargeMeasure(line.range.measure, measures, charge.volumeDivisor);
  return value >= line.range.from && value < line.range.to;
}

/**
 * A line's price in minor units: fixed + amount × (measure − start) ÷ per, by started units or in proportion (rounded
 * once, half away from zero), then kept between minimum and maximum (2-domain §4).
 */
export function priceOfLine(line: CompiledChargeLine, charge: CompiledCharge, measures: Measures): number {
  let price = line.fixed;
  if (line.perUnit) {
    const { measure, from, amount, per, started } = line.perUnit;
    const beyond = Math.max(0, chargeMeasure(measure, measures, charge.volumeDivisor) - from);
    price += started ? amount * Math.ceil(beyond / per) : multiplyDivide(amount, beyond, per);
  }
  return Math.min(line.max, Math.max(line.min, price));
}

/** The charge in minor units, or null when the option is not offered. */
export function priceOfCharge(charge: CompiledCharge, measures: Measures): number | null {
  let price: number | null = null;
  for (const line of charge.lines) {
    if (!lineApplies(line, charge, measures)) continue;
    const next = priceOfLine(line, charge, measures);
    if (charge.combine === 'first') return next;
    price = price === null ? next : combined(charge.combine, price, next);
  }
  return price ?? charge.otherwise;
}

function combined(combine: Exclude<Charge['combine'], 'first'>, price: number, next: number): number {
  switch (combine) {
    case 'sum':
      return price + next;
    case 'highest':
      return Math.max(price, next);
    case 'lowest':
      return Math.min(price, next);
  }
}

/** Every goods value at which the charge may change, ascending, in minor units. */
export function chargeBreakpoints(charge: CompiledCharge): number[] {
  const points = new Set<number>();
  for (const { range } of charge.lines) {
    if (range?.measure !== 'goodsValue') continue;
    if (range.from > 0) points.add(range.from);
    if (range.to !== Infinity) points.add(range.to);
  }
  return [...points].sort((a, b) => a - b);
}
