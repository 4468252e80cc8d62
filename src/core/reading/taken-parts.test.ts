import { describe, expect, test } from 'vitest';
import { readableDemoOrders } from '../../../tests/support/readable-demo-orders.ts';
import { proposedRules } from './proposed-rules.ts';
import { readStore } from './read-store.ts';
import { partKey, takenParts } from './taken-parts.ts';

describe('parts of a proposal', () => {
  const proposals = readStore(readableDemoOrders().filter(({ currency }) => currency === 'EUR')).map(proposedRules);
  const [first, second] = proposals;

  test('nothing left out, all are taken as they are', () => {
    expect(takenParts(proposals, new Set())).toEqual(proposals);
  });

  test('a market goes with all that is in it', () => {
    const taken = takenParts(proposals, new Set([partKey(first!.market, 'market')]));
    expect(taken).toEqual(proposals.slice(1));
    // Both are paid in euros: the first country tells them apart.
    expect(taken).toContainEqual(second);
  });

  test('an option goes from the goals that it had, and a goal that is nobody’s any more goes too', () => {
    const keys = first!.options.map(({ option }) => partKey(first!.market, 'option', option));
    const [without] = takenParts(proposals, new Set([keys[0]!]));
    expect(without!.options).toHaveLength(first!.options.length - 1);
    expect(without!.goals.map(({ options }) => options)).toEqual([[first!.options[1]!.option]]);
    const [none] = takenParts(proposals, new Set(keys));
    expect(none).toMatchObject({ options: [], goals: [] });
  });

  test('a goal goes alone', () => {
    const [taken] = takenParts(proposals, new Set([partKey(first!.market, 'goal', first!.goals[0]!.from)]));
    expect(taken).toMatchObject({ goals: [], options: first!.options });
  });
});
