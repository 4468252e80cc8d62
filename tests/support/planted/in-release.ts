import type { Guarantee, GuaranteeClaim, Policy } from '../../../src/core/policy/types.ts';
import type { PlantedFault } from './planted-fault.ts';

/** Guarantees that the demo does not keep, or that an edit breaks. */
const guaranteed = (claim: GuaranteeClaim, name: string, rest: Partial<Guarantee> = {}) => ({
  planted: { order: 1, name, on: true, claim, ...rest } satisfies Guarantee,
});

const all = { by: 'all' } as const;

export const inRelease: readonly PlantedFault[] = [
  {
    kind: 'guaranteeBroken',
    plant: (policy) => {
      policy.guarantees = guaranteed({ kind: 'offered', of: 'some', on: all }, 'Somewhere to choose');
      turnOff(policy, 'jp-all');
    },
    says: '“Somewhere to choose” does not hold in “Japan”',
    also: ['zoneWithoutOption'],
  },
  {
    kind: 'guaranteeBroken',
    plant: (policy) => {
      policy.guarantees = guaranteed(
        { kind: 'costsAtMost', of: 'each', on: { by: 'kind', kinds: ['parcel'] }, atMost: 500 },
        'No parcel over 5.00',
        { markets: { nlbe: true } },
      );
    },
    says: '“No parcel over 5.00” does not hold in “Netherlands & Belgium”',
  },
  {
    kind: 'guaranteeBroken',
    plant: (policy) => {
      policy.guarantees = guaranteed({ kind: 'neverRises', on: all }, 'Never dearer', { markets: { uk: true } });
    },
    says: '£9.46 with goods of £60.04',
  },
  {
    kind: 'guaranteeBroken',
    plant: (policy) => {
      policy.guarantees = guaranteed({ kind: 'goalsAgree', within: 5 }, 'Goals agree');
    },
    says: '“Goals agree” does not hold',
  },
  {
    kind: 'staleSurface',
    surfaces: { 'banner-nl': { stale: 1, becomesStale: 0 } },
    says: 'states a delivery price or goal that is not so any more',
  },
  {
    kind: 'staleSurface',
    surfaces: { 'delivery-nl': { stale: 3, becomesStale: 0 } },
    says: 'states 3 delivery prices or goals that are not so any more',
  },
  {
    kind: 'staleSurface',
    surfaces: { 'product-uk': { stale: 0, becomesStale: 2 }, 'gone-since': { stale: 1, becomesStale: 0 } },
    says: 'states 2 delivery prices or goals that are not so with this draft',
  },
];

function turnOff({ options }: Policy, zone: string): void {
  for (const option of Object.values(options)) if (option.zone === zone) option.on = false;
}
