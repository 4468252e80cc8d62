import type { AreaPart, Policy, Zone } from '../../src/core/policy/types.ts';

const zone = (
  order: number,
  market: string,
  name: string,
  include: Record<string, AreaPart>,
  exclude?: Record<string, AreaPart>,
): Zone => ({
  order,
  market,
  name,
  on: true,
  area: { include, ...(exclude ? { exclude } : {}) },
});
const whole: AreaPart = { kind: 'wholeMarket' };
const postcodes = (country: string, ...patterns: string[]): AreaPart => ({
  kind: 'postcodes',
  country,
  patterns: Object.fromEntries(patterns.map((pattern) => [pattern, true])),
});

/** The shop, for the radius of what it brings round by itself. */
export const shop = { latitude: 53.1, longitude: 4.85 };

export const zones: Policy['zones'] = {
  'nlbe-all': zone(1, 'nlbe', 'All of the Netherlands and Belgium', {
    nl: { kind: 'country', country: 'NL' },
    be: { kind: 'country', country: 'BE' },
  }),
  'nlbe-islands': zone(
    2,
    'nlbe',
    'Outer islands',
    { islands: postcodes('NL', '8891..8899', '17?7Z*', '1795ZX') },
    { mainland: postcodes('NL', '8895ZZ') },
  ),
  'nlbe-round': zone(3, 'nlbe', 'Around the shop', {
    round: { kind: 'radius', center: shop, distance: 15, unit: 'km' },
  }),
  'deat-all': zone(4, 'deat', 'All of Germany and Austria', { whole }),
  'deat-austria': zone(5, 'deat', 'Austria', { at: { kind: 'country', country: 'AT' } }),
  'uk-all': zone(6, 'uk', 'All of the United Kingdom', { whole }),
  'uk-highlands': zone(
    7,
    'uk',
    'Highlands',
    { high: postcodes('GB', 'ZZ9*', 'ZY14ZZ') },
    { town: postcodes('GB', 'ZZ91*') },
  ),
  'dk-all': zone(8, 'dk', 'All of Denmark', { whole }),
  'ch-all': zone(9, 'ch', 'All of Switzerland', { whole }),
  'us-all': zone(10, 'us', 'United States', { us: { kind: 'country', country: 'US' } }),
  'us-far': zone(11, 'us', 'Alaska and Hawaii', {
    ak: { kind: 'region', region: 'US-AK' },
    hi: { kind: 'region', region: 'US-HI' },
  }),
  'us-pick-up': zone(12, 'us', 'Around the warehouse', {
    near: { kind: 'radius', center: { latitude: 40.7, longitude: -74.2 }, distance: 20, unit: 'mi' },
  }),
  'jp-all': zone(13, 'jp', 'All of Japan', { whole }),
  'jp-closed': { ...zone(14, 'jp', 'Northern island', { north: { kind: 'region', region: 'JP-01' } }), on: false },
};
