import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { changed, evaluateLines, tuesday } from '../../../../tests/support/evaluate-store.ts';
import { setReward } from '../../../client/edits/offer-edits.ts';
import { compilePolicy } from '../../evaluation/compile.ts';
import { policyChanges } from '../../changes/changes.ts';
import { withPatches } from '../../policy/patch.ts';
import { policySchema } from '../../schema/policy-schema.ts';
import type { Reward } from '../../policy/types.ts';
import { checkPolicy } from '../../checks/validate.ts';
import { sweepZone } from '../../sweep/sweep.ts';
import { rewardBranches } from '../reward-kinds.ts';
import type { DeliveryRewardNode } from '../reward.ts';
import { onDelivery } from './on-delivery.ts';
import { rewardKinds, rewardKindOf } from './registry.ts';

/** A reward that exists in this test alone: the price without what is beyond its whole units. */
const kind = 'deliveryEven' as 'deliveryFree';
const even = onDelivery<DeliveryRewardNode>({
  kind,
  offered: 'delivery is rounded down',
  changed: 'delivery rounded down',
  called: 'delivery without the odd cents',
  fields: ['options'],
  prices: () => ({ becomes: (price) => price - (price % 100) }),
  says: () => 'delivery costs whole units',
  begin: ({ on, coversOwnDelivery }) => ({ kind, on, coversOwnDelivery }),
});
rewardKinds.add(even);

const rewardId = Object.keys(demoPolicy.offers['free-delivery']!.goals.first!.rewards)[0]!;
const before = demoPolicy.offers['free-delivery']!.goals.first!.rewards[rewardId]! as Extract<Reward, { on: unknown }>;
const begun = even.begin({ on: before.on, coversOwnDelivery: false, two: {}, product: 'spinner' });
const policy = withPatches(demoPolicy, [setReward('free-delivery', 'first', rewardId, begun)(demoPolicy)]);

describe('a reward that is only registered', () => {
  test('is in the schema, and policies that give it are valid', () => {
    expect(JSON.stringify(policySchema().$defs.reward)).toContain('deliveryEven');
    expect(checkPolicy(policy)).toMatchObject({ ok: true });
    const odd = changed(policy, (copy) =>
      Object.assign(copy.offers['free-delivery']!.goals.first!.rewards[rewardId]!, { percent: '5' }),
    );
    expect(checkPolicy(odd)).toMatchObject({ ok: false });
  });
  test('is in the editor’s list with its fields, and among the branches of texts', () => {
    expect(rewardKinds.all.at(-1)).toMatchObject({ offered: 'delivery is rounded down', fields: ['options'] });
    expect(rewardBranches()).toContain('deliveryEven');
  });
  test('is read out among the changes', () => {
    expect(JSON.stringify(policyChanges(demoPolicy, policy, 'en-GB'))).toContain('delivery rounded down');
  });
  test('lowers the price, and the trace says by what', () => {
    const { options, trace } = evaluateLines(policy, { spinner: 20 });
    const door = options.find(({ optionId }) => optionId === 'nlbe-door')!;
    expect([door.before, door.after]).toEqual([395, 300]);
    expect(JSON.stringify(trace)).toContain('delivery costs whole units');
  });
  test('is where sweeps see the price change', () => {
    const [zone] = compilePolicy(policy).markets.get('nlbe')!.zones;
    const situation = { destination: { country: 'NL', postcode: '1012' }, instant: tuesday };
    const prices = sweepZone(zone!, 'goodsValue', situation).segments.flatMap(({ options }) =>
      options.map((option) => option?.after),
    );
    expect(prices).toContain(500);
  });
  test('is known by its kind, and cannot be registered twice', () => {
    expect(rewardKindOf({ kind })).toBe(even);
    expect(() => rewardKinds.add(even)).toThrow(RangeError);
  });
});
