import type { Reward } from '../policy/types.ts';

/** Kinds of rewards, as the branches of a text that chooses by them; `none` where a goal gives nothing here. */
export const rewardKinds = [
  'deliveryFree',
  'deliveryAt',
  'deliveryLessPercent',
  'deliveryLessAmount',
  'upgrade',
  'goodsLessPercent',
  'gift',
  'none',
] as const satisfies readonly (Reward['kind'] | 'none')[];

export type RewardKind = (typeof rewardKinds)[number];
