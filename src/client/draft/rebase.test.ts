import type { Operation } from 'rfc6902';
import { describe, expect, test } from 'vitest';
import { smallStore } from '../../../tests/support/small-store.ts';
import { setDestination, setQuantity, setTarget } from '../edits/edits.ts';
import { setOffer } from '../edits/offer-edits.ts';
import { withPatches } from '../../core/policy/patch.ts';
import { placesOf } from '../../core/policy/patch-places.ts';
import { rebase } from './rebase.ts';

const goal = (market: string, minor: number | null) => setTarget('free-delivery', 'first', market, minor)(smallStore);
const after = (...patches: Parameters<typeof withPatches>[1]) => withPatches(smallStore, patches);

/** Whether an edit made on the small store is held back where others have made theirs meanwhile. */
const collides = (edit: Operation[], ...theirs: Operation[][]): boolean =>
  rebase([edit], theirs.flatMap(placesOf), after(...theirs)).meeting.length > 0;

describe('edits made at the same time', () => {
  test('in different places do not collide', () => {
    expect(collides(goal('nlbe', 8000), goal('uk', 6000))).toBe(false);
    expect(collides(setOffer('free-delivery', 'on', false)(smallStore), goal('uk', 6000))).toBe(false);
  });
  test('in the same place do, unless they agree', () => {
    expect(collides(goal('nlbe', 8000), goal('nlbe', 6000))).toBe(true);
    expect(collides(goal('nlbe', 8000), goal('nlbe', 8000))).toBe(false);
  });
  test('a change inside something taken away collides', () => {
    expect(collides(goal('nlbe', 8000), goal('nlbe', null))).toBe(true);
  });
});

describe('patches', () => {
  test('a patch that no longer fits is left out whole, the others stay', () => {
    const result = after([{ op: 'replace', path: '/offers/gone/on', value: true }], goal('uk', 100));
    expect(result.offers['free-delivery']!.goals.first!.targets.uk).toEqual({ exact: 100 });
    expect(Object.keys(result.offers)).toEqual(['free-delivery']);
  });
  test('the policy they start from is not touched', () => {
    const before = JSON.stringify(smallStore);
    after(
      goal('uk', 1),
      setQuantity('beach-day', 'winder', 0)(smallStore),
      setDestination('beach-day', 'country', 'BE')(smallStore),
    );
    expect(JSON.stringify(smallStore)).toBe(before);
  });
  test('a product is added, counted and taken out', () => {
    const added = after(setQuantity('beach-day', 'kite-book', 2)(smallStore));
    expect(added.testCarts['beach-day']!.lines['kite-book']).toEqual({ order: 3 + 1, quantity: 2 });
    expect(withPatches(added, [setQuantity('beach-day', 'kite-book', 0)(added)]).testCarts['beach-day']).toEqual(
      smallStore.testCarts['beach-day'],
    );
  });
});
