import { expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { readOut } from '../../core/conditions/read-out.ts';
import { withPatches } from '../../core/policy/patch.ts';
import { checkPolicy } from '../../core/checks/validate.ts';
import type { Policy } from '../../core/policy/types.ts';
import { addNode, dissolveGroup, moveNode, removeNode, setNode, wrapNode } from './condition-edits.ts';
import type { Edit } from './edit.ts';

const place = ['options', 'nlbe-door', 'when'];
const base: Policy = {
  ...demoPolicy,
  options: {
    ...demoPolicy.options,
    'nlbe-door': { ...demoPolicy.options['nlbe-door']!, when: { of: 'all', conditions: {} } },
  },
};
const after = (...edits: Edit[]) => edits.reduce((policy, edit) => withPatches(policy, [edit(policy)]), base);
const read = (policy: Policy) => readOut(policy, policy.options['nlbe-door']!.when!, 'nlbe');
const items = addNode(place, { kind: 'number', fact: 'cart.items', operator: 'atLeast', value: 3 });
const guest = addNode(place, { kind: 'yesNo', fact: 'shopper.signedIn', is: false });
const weekend = addNode(place, { kind: 'weekday', days: [6, 7], readIn: 'store' });

test('conditions are added at the end, changed, moved and taken out', () => {
  const three = after(items, guest, weekend);
  expect(read(three)).toBe(
    'the number of items is at least 3 and the shopper is a guest and the day is Saturday or Sunday on the store’s clock',
  );
  expect(read(after(items, guest, weekend, moveNode(place, 'weekday', -2)))).toMatch(
    /^the day is .* and the number of items is at least 3 and the shopper is a guest$/,
  );
  expect(
    read(
      after(
        items,
        guest,
        setNode([...place, 'conditions', 'items'], { operator: 'between', to: 5 }),
        removeNode([...place, 'conditions', 'signedin']),
      ),
    ),
  ).toBe('the number of items is from 3 to 5, both included');
  expect(
    read(
      after(
        items,
        setNode([...place, 'conditions', 'items'], { operator: 'between', to: 5 }),
        setNode([...place, 'conditions', 'items'], { operator: 'atMost', to: undefined }),
      ),
    ),
  ).toBe('the number of items is at most 3');
});
test('a second condition of the same kind has an id of its own', () => {
  expect(Object.keys(after(items, items, items).options['nlbe-door']!.when!.conditions)).toHaveLength(3);
});
test('a condition is put into a group, joined by another, and the group dissolved again', () => {
  const grouped = after(
    items,
    guest,
    wrapNode([...place, 'conditions', 'items'], 'any'),
    addNode([...place, 'conditions', 'items'], {
      kind: 'number',
      fact: 'cart.weight',
      operator: 'moreThan',
      value: 5000,
    }),
  );
  expect(read(grouped)).toBe(
    '(the number of items is at least 3 or the weight is more than 5000 g, which is at least 5001 g) and the shopper is a guest',
  );
  expect(checkPolicy(grouped).ok).toBe(true);
  const dissolved = withPatches(grouped, [dissolveGroup(place, 'items')(grouped)]);
  expect(read(dissolved)).toBe(
    'the number of items is at least 3 and the weight is more than 5000 g, which is at least 5001 g and the shopper is a guest',
  );
  expect(checkPolicy(dissolved).ok).toBe(true);
});
test('what is no longer there is left alone', () => {
  expect(
    [
      addNode(['options', 'gone', 'when'], { kind: 'yesNo', fact: 'shopper.business', is: true }),
      wrapNode([...place, 'conditions', 'gone'], 'all'),
      dissolveGroup(place, 'gone'),
      removeNode([...place, 'conditions', 'gone']),
    ].map((edit) => edit(base)),
  ).toEqual([[], [], [], []]);
});
