import type { Product } from '../../../src/core/catalogue/product.ts';
import type { ChargeMeasure, CountMeasure } from '../../../src/core/cart/charge-measure.ts';
import type { Charge, Comparison, Condition, LocalAmount } from '../../../src/core/policy/types.ts';
import type { Node } from '../conditions.ts';

export const productOf = (products: Product[], id: string): Product => products.find((product) => product.id === id)!;

type Span = [from: number, to: number | null, price: number];

/** Lines over stretches of goods value. */
export const spans = (...all: Span[]): Charge => spansOf('goodsValue', ...all);

export const spansOf = (measure: ChargeMeasure, ...all: Span[]): Charge => ({
  combine: 'first',
  lines: Object.fromEntries(
    all.map(([from, to, price], index) => [
      `step-${index + 1}`,
      { order: index + 1, over: overOf(measure, from, to), price: { fixed: { exact: price } } },
    ]),
  ),
  otherwise: { kind: 'notOffered' },
});

function overOf(measure: ChargeMeasure, from: number, to: number | null): NonNullable<Charge['lines'][string]['over']> {
  const exact = (amount: number): LocalAmount => ({ exact: amount });
  if (measure === 'goodsValue') return { measure, from: exact(from), to: to === null ? null : exact(to) };
  return { measure: measure as CountMeasure, from, to };
}

/** Contiguous steps of goods value: from, price. */
export const steps = (...all: [from: number, price: number][]): Charge =>
  spans(...all.map(([from, price], index): Span => [from, all[index + 1]?.[0] ?? null, price]));

/** Lines under conditions. */
export const lines = (...all: [when: Condition | null, price: number][]): Charge => ({
  combine: 'first',
  lines: Object.fromEntries(
    all.map(([when, price], index) => [
      `line-${index + 1}`,
      { order: index + 1, ...(when ? { when } : {}), price: { fixed: { exact: price } } },
    ]),
  ),
  otherwise: { kind: 'notOffered' },
});

export const items = (operator: Comparison, count: number): Node => ({
  kind: 'number',
  fact: 'cart.items',
  operator,
  value: count,
});

export const orders = (operator: Comparison, count: number): Node => ({
  kind: 'number',
  fact: 'shopper.orderCount',
  operator,
  value: count,
});

export const country = (operator: 'oneOf' | 'noneOf', ...values: [string, ...string[]]): Node => ({
  kind: 'word',
  fact: 'destination.country',
  operator,
  values,
});

export const yesNo = (fact: 'shopper.signedIn' | 'shopper.firstOrder', is: boolean): Node => ({
  kind: 'yesNo',
  fact,
  is,
});

/** The goods value as shown, in one market. */
export const value = (operator: Comparison, exact: number, market = 'nlbe', to?: number): Node => ({
  kind: 'money',
  fact: 'cart.goodsValue',
  basis: 'afterDiscountsAsShown',
  operator,
  amounts: { [market]: { exact } },
  ...(to === undefined ? {} : { to: { [market]: { exact: to } } }),
});
