import { sameCondition } from '../conditions/same-condition.ts';
import type { LocalMoney } from '../money/local-amount.ts';
import { resolveAmount } from '../money/local-amount.ts';
import { inOrder } from '../ordered.ts';
import type { Charge, ChargeLine } from '../policy/types.ts';
import { priceKindOf } from './prices/registry.ts';

interface Span {
  from: number;
  /** exclusive */
  to: number;
}

/**
 * Lines of a charge that no cart ever takes, because lines above them take every cart that they would: where the first line
 * that applies decides, an earlier line stands for a later one that has the same condition or a narrower range. A line that
 * waits for a carrier and has no price of its own takes nothing for certain.
 *
 * @returns line → the earlier lines that take its carts
 */
export function shadowedLines(charge: Charge, money: LocalMoney): Map<string, string[]> {
  const shadowed = new Map<string, string[]>();
  if (charge.combine !== 'first') return shadowed;
  const lines = inOrder(charge.lines);
  for (const [index, [id, line]] of lines.entries()) {
    const certain = lines
      .slice(0, index)
      .filter(
        ([, earlier]) =>
          priceKindOf(earlier.price).isCertain(earlier.price) &&
          (!earlier.when || sameCondition(earlier.when, line.when)),
      );
    const open = certain.find(([, { over }]) => !over);
    const by = open ? [open[0]] : coveredBy(line, certain, money);
    if (by.length > 0) shadowed.set(id, by);
  }
  return shadowed;
}

/** Earlier lines that together cover a line's range, or the whole of their measure for a line without one; none if they do not. */
function coveredBy(line: ChargeLine, earlier: readonly (readonly [string, ChargeLine])[], money: LocalMoney): string[] {
  const measures = line.over
    ? [line.over.measure]
    : [...new Set(earlier.flatMap(([, { over }]) => (over ? [over.measure] : [])))];
  for (const measure of measures) {
    const spans = earlier.flatMap(([id, { over }]) =>
      over?.measure === measure ? [{ id, span: spanOf(over, money) }] : [],
    );
    const wanted = line.over ? spanOf(line.over, money) : { from: 0, to: Infinity };
    const by: string[] = [];
    let reached = wanted.from;
    while (reached < wanted.to) {
      // Of the ranges that go on from here, the one that goes farthest: so as few lines as possible are named.
      const start = reached;
      const next = spans
        .filter(({ span }) => span.from <= start && span.to > start)
        .reduce<(typeof spans)[number] | null>((best, one) => (best && best.span.to >= one.span.to ? best : one), null);
      if (!next) break;
      by.push(next.id);
      reached = next.span.to;
    }
    if (reached >= wanted.to) return by;
  }
  return [];
}

function spanOf(over: NonNullable<ChargeLine['over']>, money: LocalMoney): Span {
  const bound = (value: NonNullable<ChargeLine['over']>['from'] | null): number => {
    if (value === null) return Infinity;
    if (typeof value === 'number') return value;
    return resolveAmount(value, money) ?? 0;
  };
  return { from: bound(over.from), to: bound(over.to) };
}
