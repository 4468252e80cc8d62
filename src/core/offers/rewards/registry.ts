import type { Reward } from '../../policy/types.ts';
import { Registry } from '../../registry.ts';
import type { RewardKindRecord } from '../reward.ts';
import { deliveryAt } from './delivery-at.ts';
import { deliveryFree } from './delivery-free.ts';
import { deliveryLessAmount } from './delivery-less-amount.ts';
import { deliveryLessPercent } from './delivery-less-percent.ts';
import { gift } from './gift.ts';
import { goodsLessPercent } from './goods-less-percent.ts';
import { upgrade } from './upgrade.ts';

/** Every kind of reward. */
export const rewardKinds = new Registry<RewardKindRecord>('reward', ({ kind }) => kind, [
  deliveryFree,
  deliveryAt,
  deliveryLessPercent,
  deliveryLessAmount,
  upgrade,
  goodsLessPercent,
  gift,
]);

/** All that is known of a reward's kind. */
export const rewardKindOf = ({ kind }: Pick<Reward, 'kind'>): RewardKindRecord => rewardKinds.of(kind);
