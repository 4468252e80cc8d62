import type { Assumption, LocalAmount, TestCart } from '../../core/policy/types.ts';
import { orderAfterLast } from '../../core/ordered.ts';
import type { Edit } from './edit.ts';
import { pointer } from './set-at.ts';

/** An exact goal. @param target at least 1: minor units, or a count where the goal counts pieces or grams; null takes the offer out of the market */
export const setTarget =
  (offer: string, goal: string, market: string, target: number | null): Edit =>
  (policy) => {
    const at = pointer('offers', offer, 'goals', goal, 'targets', market);
    const present = policy.offers[offer]?.goals[goal]?.targets[market] !== undefined;
    if (target === null) return present ? [{ op: 'remove', path: at }] : [];
    return [
      {
        op: present ? 'replace' : 'add',
        path: at,
        value:
          policy.offers[offer]?.goals[goal]?.measure.kind === 'countedValue' ? { exact: target } : { count: target },
      },
    ];
  };

/** A goal in a market as an amount of its own or one that follows the base currency. */
export const setGoalAmount =
  (offer: string, goal: string, market: string, amount: LocalAmount): Edit =>
  (policy) => {
    const present = policy.offers[offer]?.goals[goal]?.targets[market] !== undefined;
    return [
      {
        op: present ? 'replace' : 'add',
        path: pointer('offers', offer, 'goals', goal, 'targets', market),
        value: amount,
      },
    ];
  };

/** What is assumed of a market's shoppers when goals are weighed. */
export const setAssumption =
  (market: string, assumption: Assumption): Edit =>
  (policy) => {
    if (!policy.assumptions) return [{ op: 'add', path: '/assumptions', value: { [market]: assumption } }];
    return [
      { op: policy.assumptions[market] ? 'replace' : 'add', path: pointer('assumptions', market), value: assumption },
    ];
  };

export const setQuantity =
  (cart: string, product: string, quantity: number): Edit =>
  (policy) => {
    const lines = policy.testCarts[cart]?.lines ?? {};
    const at = pointer('testCarts', cart, 'lines', product);
    if (quantity <= 0) return lines[product] ? [{ op: 'remove', path: at }] : [];
    if (lines[product]) return [{ op: 'replace', path: `${at}/quantity`, value: quantity }];
    return [{ op: 'add', path: at, value: { order: orderAfterLast(lines), quantity } }];
  };

export const setDestination =
  (cart: string, field: 'country' | 'postcode', value: string): Edit =>
  () => [{ op: 'replace', path: pointer('testCarts', cart, 'destination', field), value }];

export const setCartField =
  <K extends 'language' | 'pinned' | 'name'>(cart: string, field: K, value: TestCart[K]): Edit =>
  () => [{ op: 'replace', path: pointer('testCarts', cart, field), value }];
