import { priceUnit } from '../money/currency.ts';
import type { ConditionNode, GoodsSelection, Policy } from '../policy/types.ts';
import type { LeafNode } from './compile-leaf.ts';
import type { FactId } from './fact-list.ts';

/** A node that has no place in an order yet. */
export type Unplaced<Node> = Node extends unknown ? Omit<Node, 'order'> : never;

/** What is asked for before a condition on the fact can stand at all: a first word, a postcode, or goods. */
export function asksFirst(fact: FactId): 'word' | 'postcode' | 'goods' | null {
  if (fact === 'postcode') return 'postcode';
  if (fact === 'contents' || fact === 'cart.valueOf' || fact === 'cart.quantityOf') return 'goods';
  return wordFacts.has(fact) ? 'word' : null;
}

const wordFacts: ReadonlySet<string> = new Set([
  'shopper.group',
  'shopper.tag',
  'shopper.individual',
  'cart.code',
  'cart.currency',
  'cart.channel',
  'destination.country',
  'destination.region',
  'destination.zone',
  'destination.market',
]);

/**
 * A condition on a fact as it is first put down, to be changed from there: a usual comparison, and amounts of about 50 of the
 * currency's units.
 *
 * @param first the first word or postcode, or goods, for facts that ask for it
 * @param markets those that are given an amount
 */
export function beginLeaf(
  fact: FactId,
  first: string | GoodsSelection | null,
  policy: Policy,
  markets: readonly string[],
  today: string,
): Unplaced<ConditionNode> {
  const amounts = Object.fromEntries(
    markets.map((id) => [id, { exact: 50 * priceUnit(policy.markets[id]!.currency) }]),
  );
  const word = typeof first === 'string' ? first : '';
  const goods = typeof first === 'object' && first !== null ? first : {};
  const basis = 'afterDiscountsAsShown';
  switch (fact) {
    case 'shopper.signedIn':
    case 'shopper.business':
    case 'shopper.firstOrder':
    case 'destination.residential':
      return { kind: 'yesNo', fact, is: true };
    case 'contents':
      return { kind: 'contents', operator: 'contains', goods };
    case 'cart.quantityOf':
      return { kind: 'goodsNumber', fact, goods, operator: 'atLeast', value: 2 };
    case 'cart.valueOf':
      return { kind: 'goodsMoney', fact, basis, goods, operator: 'atLeast', amounts };
    case 'cart.goodsValue':
    case 'cart.countedValue':
    case 'line.value':
      return { kind: 'money', fact, basis, operator: 'atLeast', amounts };
    case 'postcode':
      return { kind: 'postcode', patterns: [word] };
    case 'distance':
      return {
        kind: 'distance',
        center: Object.values(policy.places ?? {}).find(({ coordinates }) => coordinates)?.coordinates ?? {
          latitude: 52,
          longitude: 5,
        },
        operator: 'atMost',
        value: 25,
      };
    case 'instant':
      return { kind: 'instant', operator: 'after', at: `${today}T00:00`, readIn: 'store' };
    case 'weekday':
      return { kind: 'weekday', days: [6, 7], readIn: 'store' };
    case 'timeOfDay':
      return { kind: 'timeOfDay', from: '18:00', to: '00:00', readIn: 'store' };
    case 'shopper.orderCount':
    case 'shopper.daysSinceLastOrder':
    case 'shopper.lifetimeSpend':
    case 'cart.items':
    case 'cart.lines':
    case 'cart.weight':
    case 'cart.volume':
    case 'cart.chargeableWeight':
    case 'cart.longestSide':
    case 'line.quantity':
      return { kind: 'number', fact, operator: 'atLeast', value: usualNumber[fact] };
    default:
      return { kind: 'word', fact, ...wordsWith([word], false) };
  }
}

const usualNumber: Record<Extract<LeafNode, { kind: 'number' }>['fact'], number> = {
  'shopper.orderCount': 1,
  'shopper.daysSinceLastOrder': 90,
  'shopper.lifetimeSpend': 10_000,
  'cart.items': 3,
  'cart.lines': 2,
  'cart.weight': 10_000,
  'cart.volume': 50_000,
  'cart.chargeableWeight': 10_000,
  'cart.longestSide': 1200,
  'line.quantity': 2,
};

/** Words with the operator that their number asks for. */
export function wordsWith(
  values: readonly string[],
  negated: boolean,
): { operator: 'is' | 'isNot' | 'oneOf' | 'noneOf'; values: string[] } {
  const one = values.length === 1;
  return { operator: negated ? (one ? 'isNot' : 'noneOf') : one ? 'is' : 'oneOf', values: [...values] };
}
