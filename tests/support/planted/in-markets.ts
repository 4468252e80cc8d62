import type { PlantedFault } from './planted-fault.ts';

/** Faults of the kinds that stand at Markets. */
export const inMarkets: PlantedFault[] = [
  {
    kind: 'uncoveredCountry',
    plant: ({ markets, zones }) => {
      markets.dk!.countries.push('IS');
      zones['dk-all']!.area.include = { dk: { kind: 'country', country: 'DK' } };
    },
    says: 'sells to Iceland, but no zone',
  },
  {
    kind: 'uncoveredCountry',
    plant: ({ zones }) => (zones['ch-all']!.on = false),
    says: 'sells to Switzerland, but no zone',
  },
  {
    kind: 'uncoveredCountry',
    plant: ({ zones }) =>
      (zones['jp-all']!.area.include = { some: { kind: 'postcodes', country: 'JP', patterns: { '1*': true } } }),
    says: 'In Japan only some places are in a zone',
  },
  {
    kind: 'uncoveredCountry',
    plant: ({ zones }) => (zones['dk-all']!.area.exclude = { all: { kind: 'country', country: 'DK' } }),
    says: 'sells to Denmark, but no zone',
  },
  {
    kind: 'zoneNeverWins',
    plant: ({ zones }) => {
      zones['deat-again'] = { ...zones['deat-austria']!, order: 800, name: 'Austria again' };
    },
    says: '“Austria again” never decides what delivery costs: all of it is in “Austria” above it',
    also: ['zoneWithoutOption'],
  },
  {
    kind: 'zoneNeverWins',
    plant: ({ zones }) => {
      zones['deat-germany'] = {
        ...zones['deat-austria']!,
        order: 800,
        name: 'Germany',
        area: { include: { de: { kind: 'country', country: 'DE' } } },
      };
    },
    says: 'never decides what delivery costs: all of it is in',
    also: ['zoneWithoutOption'],
  },
  {
    kind: 'zoneNeverWins',
    plant: ({ zones }) => (zones['us-far']!.area.exclude = { us: { kind: 'country', country: 'US' } }),
    says: 'never decides what delivery costs: nothing is left of its area',
  },
  {
    kind: 'zoneNeverWins',
    plant: ({ zones }) => {
      zones['nlbe-tip'] = {
        ...zones['nlbe-islands']!,
        order: 900,
        name: 'The tip',
        area: { include: { tip: { kind: 'postcodes', country: 'NL', patterns: { '8891..8899': true } } } },
      };
      delete zones['nlbe-islands']!.area.exclude;
    },
    says: '“The tip” never decides',
    also: ['zoneWithoutOption'],
  },
  {
    kind: 'followingDrift',
    plant: ({ rates }) => (rates!.CHF!.rate = '0.80'),
    says: 'In “Switzerland” the goal of “Free delivery” is',
  },
  {
    kind: 'followingDrift',
    plant: ({ rates }) => (rates!.DKK!.rate = '7.20'),
    says: 'In “Denmark”',
  },
  {
    kind: 'followingDrift',
    plant: ({ options }) =>
      (options['dk-door']!.charge.otherwise = {
        kind: 'price',
        price: { following: { base: 1000, buffer: '0', round: 'down', step: 1000, less: 900 } },
      }),
    says: 'In “Denmark” “',
  },
];
