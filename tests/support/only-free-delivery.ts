import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import type { Policy } from '../../src/core/policy/types.ts';

/** The demo store with one offer on: parcels free in the United Kingdom from `goal`, minor units. */
export function onlyFreeDelivery(goal: number): Policy {
  const offers = Object.fromEntries(
    Object.entries(demoPolicy.offers).map(([id, offer]) => [id, { ...offer, on: id === 'free-delivery' }]),
  );
  const free = offers['free-delivery']!;
  return {
    ...demoPolicy,
    offers: {
      ...offers,
      'free-delivery': { ...free, goals: { first: { ...free.goals.first!, targets: { uk: { exact: goal } } } } },
    },
  };
}
