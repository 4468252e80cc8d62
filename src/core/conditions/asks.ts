import type { CompiledBasis } from '../cart/basis.ts';
import type { MarketTerms } from '../markets/terms.ts';
import type { GoodsSelection } from '../policy/types.ts';
import {
  both,
  contraryOf,
  numbers,
  words,
  type NumberValues,
  type Values,
  type WordValues,
} from '../regions/values.ts';
import { nextUp, type ComparedRange } from './compare.ts';

/** Of a fact that is so or is not. */
export const yesNo = (is: boolean): WordValues => words([is ? 'yes' : 'no'], ['yes', 'no']);
/** The same, where it is always known. */
export const yesOrNo: WordValues = words(['yes', 'no'], ['yes', 'no']);
/** Every word; not being known is not among them. */
export const anyKnownWord: Values = { ...words([]), allBut: true };

/** Amounts and counts that there can be: none is below nothing. */
export const among = (unknown: boolean): NumberValues => numbers([{ from: 0, to: Infinity }], unknown);

/** Whole numbers that a comparison lets in. */
export function within({ atLeast, atMost, inverted }: ComparedRange): Values {
  const values = numbers([{ from: Math.ceil(atLeast), to: Math.floor(atMost) + 1 }]);
  return inverted ? both(contraryOf(values), anyKnownNumber) : values;
}

/** The same of a number that need not be whole. A stretch takes in its lower end only, so what ends at a number ends right after it. */
export function withinFractions({ atLeast, atMost, inverted }: ComparedRange): Values {
  const values = numbers([{ from: atLeast, to: Number.isFinite(atMost) ? nextUp(atMost) : atMost }]);
  return inverted ? both(contraryOf(values), anyKnownNumber) : values;
}

const anyKnownNumber = numbers([{ from: -Infinity, to: Infinity }]);

/** A selection of goods, so that the same one is the same. */
export const selectionKey = (goods: GoodsSelection): string =>
  JSON.stringify(Object.entries(goods).sort(([a], [b]) => (a < b ? -1 : 1)));

/** The value of goods in a basis, as a fact. @see neverAbove @param of `goods`, `counted`, or the key of a selection */
export function valueFact(of: string, { afterDiscounts, convertsTax }: CompiledBasis, terms: MarketTerms): string {
  const withTax = terms.shownWithTax !== convertsTax;
  return ['value', afterDiscounts ? 'after' : 'before', withTax ? 'with' : 'without', of].join('/');
}

export const quantityFact = (goods: GoodsSelection): string => `quantity/${selectionKey(goods)}`;

/** Of counts, those that are never above others. */
const lesserCounts: readonly (readonly [string, string])[] = [
  ['cart.lines', 'cart.items'],
  ['cart.weight', 'cart.chargeableWeight'],
  // What charges look at are the goods that are charged in the ordinary way.
  ['charged/items', 'cart.items'],
  ['charged/lines', 'cart.lines'],
  ['charged/lines', 'charged/items'],
  ['charged/weight', 'cart.weight'],
  ['charged/volume', 'cart.volume'],
  ['charged/longestSide', 'cart.longestSide'],
];

/** Whether one fact of a cart is never above another, whatever the cart. */
export function neverAbove(one: string, other: string): boolean {
  if (one.startsWith('value/') && other.startsWith('value/')) {
    const [, discounts, tax, ...of] = one.split('/');
    const [, otherDiscounts, otherTax, ...otherOf] = other.split('/');
    return (
      (discounts === otherDiscounts || discounts === 'after') &&
      (tax === otherTax || tax === 'without') &&
      (of.join('/') === otherOf.join('/') || otherOf[0] === 'goods')
    );
  }
  if (one.startsWith('quantity/')) return other === 'cart.items';
  return lesserCounts.some(([lesser, greater]) => one === lesser && other === greater);
}
