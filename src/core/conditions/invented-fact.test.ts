import { describe, expect, test } from 'vitest';
import { changed, evaluateLines, tuesday } from '../../../tests/support/evaluate-store.ts';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { orderOfValue } from '../cart/hypothetical-order.ts';
import { sweepZone } from '../sweep/sweep.ts';
import { policySchema } from '../schema/policy-schema.ts';
import type { ConditionNode } from '../policy/types.ts';
import { checkPolicy } from '../checks/validate.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { numberFact } from './forms/number.ts';
import type { LeafOf } from './leaf.ts';
import { readOut } from './read-out.ts';
import { beginLeaf, facts } from './registry.ts';
import { ofReplayedOrders, unknownToExports } from './unknown-to-exports.ts';

/** A fact that exists in this test alone. */
const pieces = numberFact('cart.pieces' as LeafOf<'number'>['fact'], {
  about: 'The cart',
  name: 'pieces in all',
  also: 'everything together',
  called: 'the number of pieces in all',
  unit: 'items',
  of: ({ cart }) => cart.measures.items,
  measure: 'items',
  usual: 7,
});
facts.add(pieces);

const begun = { order: 1, ...beginLeaf(pieces, null, demoPolicy, ['nlbe'], '2026-11-25') } as ConditionNode;
const condition = { of: 'all' as const, conditions: { pieces: begun } };
const policy = changed(demoPolicy, (copy) => (copy.offers['free-delivery']!.when = condition));

describe('a fact that is only registered', () => {
  test('is in the schema, and policies that ask about it are valid', () => {
    expect(JSON.stringify(policySchema())).toContain('cart.pieces');
    expect(checkPolicy(policy)).toMatchObject({ ok: true });
    const strange = changed(policy, (copy) =>
      Object.assign(copy.offers['free-delivery']!.when!.conditions.pieces!, { to: 1 }),
    );
    expect(checkPolicy(strange)).toMatchObject({ ok: false });
  });
  test('is in the editor’s list, with its words and its field', () => {
    expect(facts.all.at(-1)).toMatchObject({ name: 'pieces in all', form: { kind: 'number' }, unit: 'items' });
  });
  test('is read out', () => {
    expect(readOut(policy, condition)).toBe('the number of pieces in all is at least 7');
  });
  test('decides, and the trace says why not', () => {
    const status = (quantity: number) => {
      const { offers, trace } = evaluateLines(policy, { spinner: quantity });
      const { status } = offers.find(({ offerId }) => offerId === 'free-delivery')!;
      return [status, JSON.stringify(trace).includes('the number of pieces in all is not at least 7')];
    };
    expect([status(6), status(7)]).toEqual([
      ['notForShopper', true],
      ['inForce', false],
    ]);
  });
  test('is looked at by sweeps where its answer may change', () => {
    const starts = (of: typeof policy) => {
      const [zone] = compilePolicy(of).markets.get('nlbe')!.zones;
      const situation = { destination: { country: 'NL', postcode: '1012' }, instant: tuesday };
      return sweepZone(zone!, 'items', situation, orderOfValue(10_000)).segments.map(({ from }) => from);
    };
    expect(starts(policy).filter((start) => !starts(demoPolicy).includes(start))).toContain(7);
  });
  test('is said to be unknown to exports of orders', () => {
    expect(unknownToExports(condition, policy, ofReplayedOrders).map(({ id }) => id)).toEqual(['cart.pieces']);
  });
  test('cannot be registered twice', () => expect(() => facts.add(pieces)).toThrow(RangeError));
});
