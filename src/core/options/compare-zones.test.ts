import { expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { compareZones } from './compare-zones.ts';

test('options of one name stand in one row, with what differs from most zones', () => {
  const policy = structuredClone(demoPolicy);
  const door = policy.options['nlbe-door']!;
  policy.options.islands = { ...door, zone: 'nlbe-islands', estimate: { ...door.estimate, max: 9 } };
  policy.options.round = { ...door, zone: 'nlbe-round' };
  const { zones, rows } = compareZones(policy, 'nlbe');
  expect(zones).toEqual(['nlbe-all', 'nlbe-islands', 'nlbe-round']);
  const row = rows.find(({ name }) => name === 'Parcel to the door')!;
  expect([...row.zones.values()].map((cell) => cell?.differs)).toEqual([[], ['estimate'], []]);
  expect(row.same).toBe(false);
  const missing = rows.find(({ name }) => name === 'Parcel shop')!;
  expect([...missing.zones.values()].map((cell) => cell?.id ?? null)).toEqual(['nlbe-parcel-shop', null, null]);
});
test('a market of one zone is the same everywhere', () =>
  expect(compareZones(demoPolicy, 'ch').rows.every(({ same }) => same)).toBe(true));
