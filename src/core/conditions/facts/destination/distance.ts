import { distanceKm } from '../../../geography/distance.ts';
import { isInRange, rangeOf } from '../../compare.ts';
import type { Fact, FactForm } from '../../fact.ts';
import { checkNumbers, comparedNumber } from '../../forms/comparison.ts';
import { among, withinFractions } from '../../asks.ts';
import { plainLeaf, type LeafOf } from '../../leaf.ts';
import { compared } from '../../reader.ts';

type Node = LeafOf<'distance'>;

const form: FactForm<Node> = {
  kind: 'distance',
  definition: 'distanceFact',
  schema: () => ({
    required: ['center', 'operator', 'value'],
    properties: { center: { $ref: '#/$defs/coordinates' }, ...comparedNumber(20_040, 'km') },
  }),
  asksFirst: null,
  check: (node, _policy, at, fault) => checkNumbers(node, at, fault),
};

export const distance: Fact<Node> = {
  id: 'distance',
  about: 'The destination',
  name: 'distance from a place',
  also: 'radius near kilometres local where',
  form,
  told: 'never',
  unit: 'km',
  compile: ({ operator, value, to, center }) => {
    const range = rangeOf(operator, value, to, 0);
    return plainLeaf(
      ({ destination: { coordinates } }) =>
        coordinates !== undefined && isInRange(range, distanceKm(center, coordinates)),
    );
  },
  asks: ({ operator, value, to, center }) => ({
    fact: `distance from ${center.latitude}, ${center.longitude}`,
    values: withinFractions(rangeOf(operator, value, to, 0)),
    among: among(true),
  }),
  readOut: ({ center, operator, value, to }) =>
    `the distance from ${center.latitude}, ${center.longitude} ${compared(operator, value, to, (km) => `${km} km`, false)}`,
  begin: ({ policy }) => ({
    kind: 'distance',
    center: Object.values(policy.places ?? {}).find(({ coordinates }) => coordinates)?.coordinates ?? {
      latitude: 52,
      longitude: 5,
    },
    operator: 'atMost',
    value: 25,
  }),
};
