import { expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { driftingAmounts } from './drifting-amounts.ts';

test('goals and prices that rest on a rate, with what they stand for', () => {
  const found = driftingAmounts(demoPolicy, 'dk');
  expect(found.find(({ offerId }) => offerId === 'free-delivery')).toMatchObject({
    kind: 'goal',
    base: 7500,
    from: 'following',
  });
  expect(found.filter(({ optionId }) => optionId === 'dk-door').map(({ base }) => base)).toEqual([790, 990]);
  expect(found.some(({ optionId }) => optionId === 'dk-parcel-shop')).toBe(false);
  const byHand = found.find(({ from }) => typeof from === 'object')!;
  expect(byHand.from).toEqual({ market: 'nlbe' });
  expect('exact' in byHand.amount).toBe(true);
});
test('none in a market of the base currency', () => expect(driftingAmounts(demoPolicy, 'nlbe')).toEqual([]));
