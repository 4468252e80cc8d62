import { expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { emptyPolicy } from '../policy/empty.ts';
import type { Policy } from '../policy/types.ts';
import { beyondAnyLimit, beyondLimit, canBeLimited, inMarkets } from './market-limit.ts';
import { roles } from './roles.ts';

const changed = (change: (policy: Policy) => unknown): Policy => {
  const next = structuredClone(demoPolicy);
  change(next);
  return next;
};
const dearer = changed(({ offers }) => (offers['free-delivery']!.goals.first!.targets.uk = { exact: 9900 }));

test('who is limited to some markets is told which others a change concerns', () => {
  expect(beyondLimit(demoPolicy, dearer, null)).toBeNull();
  expect(beyondLimit(demoPolicy, dearer, ['uk', 'dk'])).toBeNull();
  expect(beyondLimit(demoPolicy, dearer, ['dk', 'jp'])).toBe(
    'This concerns United Kingdom. You may change only Denmark, Japan; whoever owns the store can let you do more.',
  );
  expect(beyondLimit(demoPolicy, dearer, [])).toContain('You may change no market;');
  const named = changed((policy) => (policy.store.name = 'Another'));
  expect(beyondLimit(demoPolicy, named, ['uk'])).toContain('This concerns every market.');
  // A market that is there no more limits all the same.
  expect(beyondLimit(demoPolicy, dearer, ['gone'])).toContain('You may change only gone;');
  expect(beyondLimit(emptyPolicy(), emptyPolicy(), [])).toBeNull();
});

test('what is not looked at market by market takes somebody who may change all', () => {
  expect(beyondAnyLimit(null)).toBeNull();
  expect(beyondAnyLimit(['uk'])).toContain('This concerns every market, and you may change only some;');
});

test('markets are said as a place', () => {
  expect([[], ['Japan'], ['Japan', 'Denmark'], ['Japan', 'Denmark', 'Norway']].map(inMarkets)).toEqual([
    'in no market',
    'in Japan',
    'in Japan and Denmark',
    'in Japan, Denmark and Norway',
  ]);
});

test('only who edits or releases is limited', () => {
  expect(roles.filter(canBeLimited)).toEqual(['edit', 'release']);
});
