import { inOrder } from '../../../ordered.ts';
import type { Policy } from '../../../policy/types.ts';
import { conditionsJudged, type Conditioned } from '../../conditions-of-entries.ts';
import type { FindingKind } from '../../kind.ts';

const noticesOn = ({ notices }: Policy): Conditioned[] =>
  inOrder(notices ?? {}).flatMap(([id, { on, name, when, markets }]) =>
    on ? [{ id, name, when, isIn: (marketId: string) => !markets || markets[marketId] === true }] : [],
  );

/** A notice that is on and that nobody reads: its condition contradicts itself. */
export const noticeNever: FindingKind = {
  kind: 'noticeNever',
  called: 'notices whose condition never holds',
  stop: 'wording',
  find: (examined) => conditionsJudged(examined, 'notices', noticesOn(examined.compiled.policy), 'never'),
};

export const noticeConditionAlways: FindingKind = {
  kind: 'noticeConditionAlways',
  called: 'conditions of notices that always hold',
  stop: 'wording',
  find: (examined) => conditionsJudged(examined, 'notices', noticesOn(examined.compiled.policy), 'always'),
};
