import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { presetOfCharge } from '../../core/charges/presets.ts';
import { starterSets } from '../../core/charges/starter-sets.ts';
import { copyOption } from '../../core/options/copy-option.ts';
import { withPatches } from '../../core/policy/patch.ts';
import type { Policy } from '../../core/policy/types.ts';
import { checkPolicy } from '../../core/checks/validate.ts';
import type { Edit } from './edit.ts';
import { addStarterSet, addStep, chargeLike, copyOptions, moveEdge, removeLine } from './option-edits.ts';

const after = (edit: Edit, policy: Policy = demoPolicy): Policy => withPatches(policy, [edit(policy)]);
const faultsOf = (policy: Policy) => {
  const check = checkPolicy(policy);
  return check.ok ? [] : check.faults;
};
const steps = (policy: Policy, option: string) => {
  const preset = presetOfCharge(policy.options[option]!.charge);
  return preset && 'steps' in preset
    ? preset.steps.map(({ from, price }) => [
        typeof from === 'number' ? from : (from as { exact: number }).exact,
        (price as { exact: number }).exact,
      ])
    : null;
};

describe('steps stay contiguous', () => {
  test('an edge takes both its neighbours along', () => {
    expect(steps(after(moveEdge('nlbe-door', 'goodsValue', { exact: 4000 }, { exact: 4250 })), 'nlbe-door')).toEqual([
      [0, 695],
      [4250, 595],
      [12_000, 395],
    ]);
    expect(steps(after(moveEdge('nlbe-islands-ferry', 'weight', 2000, 2500)), 'nlbe-islands-ferry')).toEqual([
      [0, 895],
      [2500, 1195],
      [10_000, 1895],
    ]);
  });
  test('a step is added above and taken out in the middle, at the end and at the beginning', () => {
    expect(steps(after(addStep('nlbe-door')), 'nlbe-door')).toEqual([
      [0, 695],
      [4000, 595],
      [12_000, 395],
      [24_000, 395],
    ]);
    const ids = Object.keys(demoPolicy.options['nlbe-door']!.charge.lines);
    expect(steps(after(removeLine('nlbe-door', ids[1]!)), 'nlbe-door')).toEqual([
      [0, 695],
      [12_000, 395],
    ]);
    expect(steps(after(removeLine('nlbe-door', ids[2]!)), 'nlbe-door')).toEqual([
      [0, 695],
      [4000, 595],
    ]);
  });
});

test('a charge of every kind keeps the price it had', () => {
  const flat = demoPolicy.options['nlbe-parcel-shop']!.charge;
  for (const kind of ['flat', 'perItem', 'firstAndFurther', 'stepsByValue', 'stepsByCount', 'baseAndFactor'] as const) {
    const charge = chargeLike(kind, flat);
    expect(presetOfCharge(charge)?.kind).toBe(kind);
    expect(JSON.stringify(charge)).toContain('450');
  }
});

test.each(starterSets.map(({ id }) => id))('the starter set %s is valid in every market', (set) => {
  for (const zone of ['nlbe-all', 'ch-all', 'jp-all']) {
    const grown = after(addStarterSet(zone, set, { latitude: 53, longitude: 5 }));
    expect(Object.keys(grown.options).length).toBeGreaterThan(Object.keys(demoPolicy.options).length);
    expect(faultsOf(grown)).toEqual([]);
  }
});

describe('copying', () => {
  test('amounts are converted by the adopted rates and rounded; what follows goes on following', () => {
    // 6.95 € × 0.8742 = £6.0757, to 0.50: 6.00; 40.00 € = £34.968: 35.00; 120.00 € = £104.904: 105.00.
    const copy = copyOption(demoPolicy, 'nlbe-door', 'uk-all', 50);
    expect(copy.ok && copy.converted).toEqual([
      { from: 395, to: 350 },
      { from: 595, to: 500 },
      { from: 695, to: 600 },
      { from: 4000, to: 3500 },
      { from: 12_000, to: 10_500 },
    ]);
    expect(copy.ok && copy.option.label).toEqual({ 'en-GB': 'Parcel to your door' });
    const following = copyOption(demoPolicy, 'ch-door', 'jp-all', 10);
    expect(following.ok && JSON.stringify(following.option.charge)).toContain('"base":990');
  });
  test('within a currency nothing is converted', () =>
    expect(copyOption(demoPolicy, 'nlbe-door', 'deat-all', 50)).toMatchObject({ ok: true, converted: [] }));
  test('without a rate it says so', () => {
    const { GBP: _, ...rates } = demoPolicy.rates!;
    expect(copyOption({ ...demoPolicy, rates }, 'nlbe-door', 'uk-all', 50)).toEqual({
      ok: false,
      reason: 'No rate of GBP has been adopted.',
    });
  });
  test('a whole zone to every other zone: one edit, valid, and all of it undone by its inverse', () => {
    const options = Object.keys(demoPolicy.options).filter((id) => demoPolicy.options[id]!.zone === 'nlbe-all');
    for (const zone of Object.keys(demoPolicy.zones).filter((id) => id !== 'nlbe-all')) {
      const grown = after(copyOptions(options, zone, 5));
      expect(faultsOf(grown)).toEqual([]);
      expect(Object.values(grown.options).filter((option) => option.zone === zone).length).toBe(
        Object.values(demoPolicy.options).filter((option) => option.zone === zone).length + options.length,
      );
    }
  });
});
