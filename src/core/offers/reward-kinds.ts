import { rewardKinds } from './rewards/registry.ts';
import type { Reward } from '../policy/types.ts';

export type RewardKind = Reward['kind'] | 'none';

/** Kinds of rewards, as the branches of a text that chooses by them; `none` where a goal gives nothing here. */
export const rewardBranches = (): RewardKind[] => [...rewardKinds.all.map(({ kind }) => kind), 'none'];

/** What a text is told to be about. */
export const rewardCalled = (kind: RewardKind): string => rewardKinds.named(kind)?.called ?? 'nothing here';
