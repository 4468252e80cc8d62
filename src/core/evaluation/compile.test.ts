import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { setTarget } from '../../client/edits/edits.ts';
import { withPatches } from '../policy/patch.ts';
import { compilePolicy, type CompiledPolicy } from './compile.ts';

const zone = (compiled: CompiledPolicy, market: string) => compiled.markets.get(market)!.zones[0]!;
const offer = (compiled: CompiledPolicy, market: string, id: string) =>
  zone(compiled, market).offers.find((candidate) => candidate.id === id)!;

describe('compiling the next state of a draft', () => {
  const before = compilePolicy(demoPolicy);
  const next = withPatches(demoPolicy, [setTarget('free-delivery', 'first', 'nlbe', 6000)(demoPolicy)]);
  const after = compilePolicy(next);
  test('what an edit does not touch is taken over, what it touches is not', () => {
    expect(offer(after, 'nlbe', 'free-delivery').goals[0]!.target).toBe(6000);
    expect(offer(before, 'nlbe', 'free-delivery').goals[0]!.target).toBe(7500);
    expect(zone(after, 'nlbe').options[0]).toBe(zone(before, 'nlbe').options[0]);
    expect(offer(after, 'nlbe', 'campaign')).toBe(offer(before, 'nlbe', 'campaign'));
  });
  test('rates, qualifiers and calendars reach everything that is made from them', () => {
    const dearer = compilePolicy({
      ...demoPolicy,
      rates: { ...demoPolicy.rates, DKK: { rate: '9', adoptedAt: '2026-11-24' } },
    });
    expect(offer(dearer, 'dk', 'free-delivery').goals[0]!.target).not.toBe(
      offer(before, 'dk', 'free-delivery').goals[0]!.target,
    );
    const requalified = compilePolicy({
      ...demoPolicy,
      qualifiers: {
        ...demoPolicy.qualifiers,
        members: { ...demoPolicy.qualifiers.members!, condition: { of: 'any', conditions: {} } },
      },
    });
    expect(offer(requalified, 'nlbe', 'members-sooner').when).not.toBe(offer(before, 'nlbe', 'members-sooner').when);
  });
});
