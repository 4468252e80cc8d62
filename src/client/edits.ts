import type { Operation } from 'rfc6902';
import type { MessageState } from '../core/evaluation/evaluation.ts';
import type { Policy, TestCart } from '../core/policy/types.ts';
import { orderAfterLast } from '../core/ordered.ts';

/**
 * An edit of the draft: given the policy it falls on, the JSON Patch that touches as little as it can. It is a
 * function because what has to be patched depends on what is there by then.
 */
export type Edit = (policy: Policy) => Operation[];

const escape = (step: string) => step.replaceAll('~', '~0').replaceAll('/', '~1');
const pointer = (...steps: string[]) => steps.map((step) => `/${escape(step)}`).join('');

/** An exact goal. @param target at least 1: minor units, or a count where the goal counts pieces or grams; null takes the offer out of the market */
export const setTarget = (offer: string, goal: string, market: string, target: number | null): Edit => (policy) => {
  const at = pointer('offers', offer, 'goals', goal, 'targets', market);
  const present = policy.offers[offer]?.goals[goal]?.targets[market] !== undefined;
  if (target === null) return present ? [{ op: 'remove', path: at }] : [];
  return [{ op: present ? 'replace' : 'add', path: at, value: policy.offers[offer]?.goals[goal]?.measure.kind === 'countedValue' ? { exact: target } : { count: target } }];
};

export const setOfferOn = (offer: string, on: boolean): Edit => () => [{ op: 'replace', path: pointer('offers', offer, 'on'), value: on }];

/** An empty text takes it away, so that the place inherits again. */
export const setText = (offer: string, state: MessageState, place: string, language: string, text: string): Edit => (policy) => {
  const steps = ['wording', offer, state, place, language];
  let here: unknown = policy;
  for (const [depth, step] of steps.entries()) {
    const next = (here as Record<string, unknown>)[step];
    if (next === undefined) {
      if (text === '') return [];
      const value = steps.slice(depth + 1).reduceRight<unknown>((inner, key) => ({ [key]: inner }), text);
      return [{ op: 'add', path: pointer(...steps.slice(0, depth + 1)), value }];
    }
    here = next;
  }
  return [text === '' ? { op: 'remove', path: pointer(...steps) } : { op: 'replace', path: pointer(...steps), value: text }];
};

export const setQuantity = (cart: string, product: string, quantity: number): Edit => (policy) => {
  const lines = policy.testCarts[cart]?.lines ?? {};
  const at = pointer('testCarts', cart, 'lines', product);
  if (quantity <= 0) return lines[product] ? [{ op: 'remove', path: at }] : [];
  if (lines[product]) return [{ op: 'replace', path: `${at}/quantity`, value: quantity }];
  return [{ op: 'add', path: at, value: { order: orderAfterLast(lines), quantity } }];
};

export const setDestination = (cart: string, field: 'country' | 'postcode', value: string): Edit => () => [{ op: 'replace', path: pointer('testCarts', cart, 'destination', field), value }];

export const setCartField = <K extends 'language' | 'pinned' | 'name'>(cart: string, field: K, value: TestCart[K]): Edit => () => [{ op: 'replace', path: pointer('testCarts', cart, field), value }];
