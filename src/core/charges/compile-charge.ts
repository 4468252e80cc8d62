import type { Qualifiers } from '../conditions/leaves.ts';
import { compileCondition, type CompiledCondition } from '../conditions/compile-condition.ts';
import type { MarketTerms } from '../markets/terms.ts';
import { resolveAmount } from '../money/local-amount.ts';
import { percentAsFraction, type PercentFraction } from '../money/rounding.ts';
import { inOrder } from '../ordered.ts';
import type { Charge, ChargeLine, LocalAmount } from '../policy/types.ts';
import type { CompiledPrice, CompiledRange } from './prices/price-kind.ts';
import { priceKindOf } from './prices/registry.ts';
import { compileWeighing, type OwnPacking, type Weighing } from './weighing.ts';

/** A charge ready to be computed: lines in order, amounts as plain minor units. */
export interface CompiledCharge {
  combine: Charge['combine'];
  lines: CompiledChargeLine[];
  /** price when no line applies; null: the option is not offered then */
  otherwise: number | null;
  weighing: Weighing;
  /** added to the charge */
  handling: { amount: number } | { percent: PercentFraction; decimal: string } | null;
}

export interface CompiledChargeLine {
  id: string;
  when: CompiledCondition | null;
  /** half-open range [from, to) of a measure; null: applies whatever the cart */
  range: CompiledRange | null;
  price: CompiledPrice;
}

/**
 * @param terms of the market the option is in; a following amount without an adopted rate makes a line never apply
 */
export function compileCharge(
  charge: Charge,
  terms: MarketTerms,
  qualifiers: Qualifiers,
  own: OwnPacking | null = null,
): CompiledCharge {
  const { handling } = charge;
  const minor = (amount: LocalAmount) => resolveAmount(amount, terms.money);
  return {
    combine: charge.combine,
    lines: inOrder(charge.lines).flatMap(([id, line]) => compileLine(id, line, terms, qualifiers)),
    otherwise: charge.otherwise.kind === 'price' ? minor(charge.otherwise.price) : null,
    weighing: compileWeighing(charge.volumeDivisor, own, terms.packing),
    handling: handling ? compileHandling(handling, minor) : null,
  };
}

function compileHandling(
  handling: NonNullable<Charge['handling']>,
  minor: (amount: LocalAmount) => number | null,
): NonNullable<CompiledCharge['handling']> {
  return 'amount' in handling
    ? { amount: minor(handling.amount) ?? 0 }
    : { percent: percentAsFraction(handling.percent), decimal: handling.percent };
}

/** Whether some price comes about whatever the cart: a default, a line without condition or range, or ranges of one measure from nothing to open. */
export function alwaysPriced({ lines, otherwise }: CompiledCharge): boolean {
  // A carrier may fall silent: its line is sure only with a fallback.
  const sure = lines.filter(
    ({ when, price: { quoted } }) => when === null && (!quoted || quoted.priceOf(null) !== null),
  );
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
  qualifiers: Qualifiers,
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
    price: priceKindOf(price).compile(price, range, terms, minor),
  };
  return complete ? [line] : [];
}
