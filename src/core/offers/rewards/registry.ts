import type { Reward } from '../../policy/types.ts';
import type { RewardKindRecord } from '../reward.ts';
import { deliveryAt } from './delivery-at.ts';
import { deliveryFree } from './delivery-free.ts';
import { deliveryLessAmount } from './delivery-less-amount.ts';
import { deliveryLessPercent } from './delivery-less-percent.ts';
import { gift } from './gift.ts';
import { goodsLessPercent } from './goods-less-percent.ts';
import { upgrade } from './upgrade.ts';

/** Every kind of reward, in the order in which they are offered. */
const registered: RewardKindRecord[] = [
  deliveryFree,
  deliveryAt,
  deliveryLessPercent,
  deliveryLessAmount,
  upgrade,
  goodsLessPercent,
  gift,
];
const byKind = new Map(registered.map((record) => [record.kind as string, record]));

export const rewardKindRecords = (): readonly RewardKindRecord[] => registered;

/** Adds a kind of reward. Everything that walks the registry knows it from then on. */
export function registerReward(record: RewardKindRecord): void {
  if (byKind.has(record.kind)) throw new RangeError(`there is a reward "${record.kind}" already`);
  registered.push(record);
  byKind.set(record.kind, record);
}

/** All that is known of a reward's kind. */
export function rewardKindOf({ kind }: Pick<Reward, 'kind'>): RewardKindRecord {
  const record = byKind.get(kind);
  if (!record) throw new RangeError(`there is no reward "${kind}"`);
  return record;
}

/** The same by name; undefined for what is no kind of reward. */
export const rewardKindNamed = (kind: string): RewardKindRecord | undefined => byKind.get(kind);
