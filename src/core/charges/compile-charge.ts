import { compileBasis, type CompiledBasis } from '../cart/basis.ts';
import { compileCondition, type CompiledCondition } from '../conditions/compile-condition.ts';
import type { MarketTerms } from '../markets/terms.ts';
import { resolveAmount } from '../money/local-amount.ts';
import { percentAsFraction, type PercentFraction } from '../money/rounding.ts';
import { inOrder } from '../ordered.ts';
import type { Charge, ChargeLine, LocalAmount, Qualifier } from '../policy/types.ts';
import { usualVolumeDivisor, type ChargeMeasure } from './charge-measure.ts';

/** A charge ready to be computed: lines in order, amounts as plain minor units. */
export interface CompiledCharge {
  combine: Charge['combine'];
  lines: CompiledChargeLine[];
  /** price when no line applies; null: the option is not offered then */
  otherwise: number | null;
  /** cm³ that count as one kilogram */
  volumeDivisor: number;
  /** added to the charge */
  handling: { amount: number } | { percent: PercentFraction; decimal: string } | null;
}

export interface CompiledChargeLine {
  id: string;
  when: CompiledCondition | null;
  /** half-open range [from, to) of a measure; null: applies whatever the cart */
  range: { measure: ChargeMeasure; from: number; to: number } | null;
  price: CompiledPrice;
}

export type CompiledPrice =
  | {
      kind: 'perUnit';
      fixed: number;
      perUnit: { measure: ChargeMeasure; from: number; amount: number; per: number; started: boolean } | null;
      min: number;
      max: number;
    }
  | { kind: 'percent'; percent: PercentFraction; decimal: string; basis: CompiledBasis; min: number; max: number }
  | {
      kind: 'quoted';
      carrier: string;
      marginPercent: PercentFraction;
      marginDecimal: string;
      marginFixed: number;
      fallback: number | null;
    };

/** @param terms of the market the option is in; a following amount without an adopted rate makes a line never apply */
export function compileCharge(
  charge: Charge,
  terms: MarketTerms,
  qualifiers: Record<string, Qualifier>,
): CompiledCharge {
  const { handling } = charge;
  const minor = (amount: LocalAmount) => resolveAmount(amount, terms.money);
  return {
    combine: charge.combine,
    lines: inOrder(charge.lines).flatMap(([id, line]) => compileLine(id, line, terms, qualifiers)),
    otherwise: charge.otherwise.kind === 'price' ? minor(charge.otherwise.price) : null,
    volumeDivisor: charge.volumeDivisor ?? usualVolumeDivisor,
    handling: !handling
      ? null
      : 'amount' in handling
        ? { amount: minor(handling.amount) ?? 0 }
        : { percent: percentAsFraction(handling.percent), decimal: handling.percent },
  };
}

/** Whether some price comes about whatever the cart: a default, a line without condition or range, or ranges of one measure from nothing to open. */
export function alwaysPriced({ lines, otherwise }: CompiledCharge): boolean {
  const sure = lines.filter(({ when, price }) => when === null && (price.kind !== 'quoted' || price.fallback !== null));
  if (otherwise !== null || sure.some(({ range }) => range === null)) return true;
  return sure.some(({ range }) => {
    let reached = 0;
    for (const next of sure
      .flatMap((line) => (line.range?.measure === range!.measure ? [line.range] : []))
      .sort((a, b) => a.from - b.from))
      if (next.from <= reached) reached = Math.max(reached, next.to);
    return reached === Infinity;
  });
}

function compileLine(
  id: string,
  { when, over, price }: ChargeLine,
  terms: MarketTerms,
  qualifiers: Record<string, Qualifier>,
): CompiledChargeLine[] {
  let complete = true;
  const minor = (amount: LocalAmount | number): number => {
    const resolved = typeof amount === 'number' ? amount : resolveAmount(amount, terms.money);
    complete &&= resolved !== null;
    return resolved ?? 0;
  };
  const range: CompiledChargeLine['range'] = over
    ? { measure: over.measure, from: minor(over.from), to: over.to === null ? Infinity : minor(over.to) }
    : null;
  const line: CompiledChargeLine = {
    id,
    when: when ? compileCondition(when, qualifiers, terms) : null,
    range,
    price: compilePrice(price, range, terms, minor),
  };
  return complete ? [line] : [];
}

function compilePrice(
  price: ChargeLine['price'],
  range: CompiledChargeLine['range'],
  terms: MarketTerms,
  minor: (amount: LocalAmount | number) => number,
): CompiledPrice {
  if ('carrier' in price) {
    const marginDecimal = price.marginPercent ?? '0';
    return {
      kind: 'quoted',
      carrier: price.carrier,
      marginPercent: percentAsFraction(marginDecimal),
      marginDecimal,
      marginFixed: price.marginFixed ? minor(price.marginFixed) : 0,
      fallback: price.fallback ? minor(price.fallback) : null,
    };
  }
  const bounds = { min: price.min ? minor(price.min) : 0, max: price.max ? minor(price.max) : Infinity };
  if ('percent' in price)
    return {
      kind: 'percent',
      percent: percentAsFraction(price.percent),
      decimal: price.percent,
      basis: compileBasis(price.basis, terms),
      ...bounds,
    };
  const per = price.perUnit;
  return {
    kind: 'perUnit',
    fixed: minor(price.fixed),
    perUnit: per
      ? {
          measure: per.measure,
          from: range && range.measure === per.measure && per.countsFrom === undefined ? range.from : 0,
          amount: minor(per.amount),
          per: per.per,
          started: per.started,
        }
      : null,
    ...bounds,
  };
}
