import { rewardKindNamed, rewardKindRecords } from './rewards/registry.ts';
import type { Reward } from '../policy/types.ts';

export type RewardKind = Reward['kind'] | 'none';

/** Kinds of rewards, as the branches of a text that chooses by them; `none` where a goal gives nothing here. */
export const rewardKinds = (): RewardKind[] => [...rewardKindRecords().map(({ kind }) => kind), 'none'];

/** What a text is told to be about. */
export const rewardCalled = (kind: RewardKind): string => rewardKindNamed(kind)?.called ?? 'nothing here';
