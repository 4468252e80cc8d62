import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { emptyPolicy } from '../../core/policy/empty.ts';
import { withPatches } from '../../core/policy/patch.ts';
import type { Policy } from '../../core/policy/types.ts';
import { checkPolicy } from '../../core/checks/validate.ts';
import { inOrder } from '../../core/ordered.ts';
import type { Edit } from './edit.ts';
import { addMarket, addZone, assignCountries, changePatterns, removeMarket, removeZone } from './market-edits.ts';
import { freshId, moveBy, setAt } from './set-at.ts';

const after = (...edits: Edit[]): Policy =>
  edits.reduce((policy, edit) => withPatches(policy, [edit(policy)]), demoPolicy);
const faultsOf = (policy: Policy) => {
  const check = checkPolicy(policy);
  return check.ok ? [] : check.faults;
};

describe('countries', () => {
  test('leave the market they were in, so that none is in two', () => {
    const { markets } = after(assignCountries(['LU', 'SE'], 'dk'));
    expect([markets.nlbe!.countries, markets.dk!.countries]).toEqual([
      ['NL', 'BE'],
      ['DK', 'LU', 'SE'],
    ]);
  });
  test('can be left in no market; those that are there already change nothing', () => {
    expect(after(assignCountries(['LU'], null)).markets.nlbe!.countries).toEqual(['NL', 'BE']);
    expect(assignCountries(['NL'], 'nlbe')(demoPolicy)).toEqual([]);
  });
});

test('a market of its own comes with a zone and is valid; it can be removed again', () => {
  const grown = after(addMarket('SE', 'Sweden'));
  expect(grown.markets.sweden).toMatchObject({ countries: ['SE'], currency: 'SEK', languages: ['sv-SE'] });
  expect(faultsOf(grown)).toEqual([]);
  const { markets, zones } = withPatches(grown, [removeMarket('sweden')(grown)]);
  expect([markets, zones]).toEqual([demoPolicy.markets, demoPolicy.zones]);
});
test('a store’s first market says where it sells from and in which currency it reckons', () => {
  const empty = emptyPolicy();
  const begun = withPatches(empty, [addMarket('NO', 'Norway')(empty)]);
  expect(begun.store).toMatchObject({ baseCurrency: 'NOK', origin: { country: 'NO' } });
  expect(faultsOf(begun)).toEqual([]);
  expect(withPatches(begun, [addMarket('SE', 'Sweden')(begun)]).store).toEqual(begun.store);
  const said = {
    ...empty,
    store: { ...empty.store, baseCurrency: 'USD', origin: { country: 'US', postcode: '99901' } },
  };
  expect(withPatches(said, [addMarket('NO', 'Norway')(said)]).store).toEqual(said.store);
});
test('a market that is removed takes its zones, options and goals with it', () => {
  const without = after(removeMarket('dk'));
  expect(JSON.stringify([without.zones, without.options])).not.toContain('dk-');
  expect(without.offers['free-delivery']!.goals.first!.targets.dk).toBeUndefined();
});

test('zones come and go with their options', () => {
  const grown = after(addZone('nlbe', 'Coast', { kind: 'country', country: 'NL' }));
  expect(faultsOf(grown)).toEqual([]);
  expect(after(removeZone('nlbe-round')).options['nlbe-round-van']).toBeUndefined();
});

test('patterns are put in and taken out one by one', () => {
  const { zones } = after(
    changePatterns('nlbe-islands', 'include', 'islands', { add: ['9166..9167', '1795ZX'], remove: ['17?7Z*'] }),
  );
  const part = zones['nlbe-islands']!.area.include.islands!;
  expect(part.kind === 'postcodes' && Object.keys(part.patterns).sort()).toEqual([
    '1795ZX',
    '8891..8899',
    '9166..9167',
  ]);
});

describe('moving in a list', () => {
  const ids = inOrder(demoPolicy.zones)
    .filter(([, { market }]) => market === 'nlbe')
    .map(([id]) => id);
  const shown = (policy: Policy) =>
    inOrder(policy.zones)
      .filter(([, { market }]) => market === 'nlbe')
      .map(([id]) => id);
  test('one place down or up, by a change of one key', () => {
    expect(shown(after(moveBy('zones', ids, ids[0]!, 1)))).toEqual([ids[1], ids[0], ids[2]]);
    expect(shown(after(moveBy('zones', ids, ids[2]!, -2)))).toEqual([ids[2], ids[0], ids[1]]);
    expect(moveBy('zones', ids, ids[0]!, 1)(demoPolicy)).toHaveLength(1);
  });
  test('also where all have the same key', () => {
    const level = after(...ids.map((id) => setAt(['zones', id, 'order'], 5)));
    const before = shown(level);
    expect(shown(withPatches(level, [moveBy('zones', before, before[2]!, -1)(level)]))).toEqual([
      before[0],
      before[2],
      before[1],
    ]);
  });
});

test('ids are made of names and are new', () => {
  expect([
    freshId('Outer Îslands!', {}),
    freshId('Outer islands', { 'outer-islands': 1 }),
    freshId('日本', {}),
    freshId('constructor', {}),
  ]).toEqual(['outer-islands', 'outer-islands-2', 'new', 'constructor-1']);
});
