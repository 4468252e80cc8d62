import { compilePolicy } from '../../evaluation/compile.ts';
import type { Evaluation } from '../../evaluation/evaluation.ts';
import { placeIds } from '../../wording/places.ts';
import { renderLead } from '../../wording/render.ts';
import { noticeEdges, policyEdges } from '../../sweep/edges.ts';
import type { ClaimKind, ClaimOf } from '../claim.ts';
import type { Along } from '../look.ts';

export const read: ClaimKind<ClaimOf<'read'>> = {
  kind: 'read',
  called: 'something is read',
  begin: (before) => ({ kind: 'read', until: before?.kind === 'read' ? before.until : 'goalReached' }),
  says: ({ until }) =>
    until === 'always'
      ? 'something is read, in every language of the market'
      : 'something is read as long as a goal lies ahead, in every language of the market',
  find: ({ until }, { along, stretches }) => {
    if (saysAsWithout(along)) return null;
    const { market, policy } = { market: along.zone.market.market, policy: compilePolicy(along.zone.policy) };
    for (const { from } of stretches) {
      const evaluation = along.evaluationAt(from);
      if (until === 'goalReached' && !goalLiesAhead(evaluation)) continue;
      const silent = market.languages.find((language) =>
        placeIds.every((place) => renderLead(policy, evaluation, place, language) === null),
      );
      if (silent !== undefined) return { value: from, says: `nothing is read in ${silent}` };
    }
    return null;
  },
};

/** Whether weight and pieces, if there are any, are nothing that anything here speaks of: without them it has been looked at. */
function saysAsWithout({ zone, order }: Along): boolean {
  const speaks = (axis: 'weight' | 'items') => {
    const { market, offers, notices } = zone;
    const along = { zone: { market, offers, options: [] }, axis, order, region: undefined };
    return policyEdges(along).length > 0 || noticeEdges(notices, along).length > 0;
  };
  return (order.weight > 0 && !speaks('weight')) || (order.items > 1 && !speaks('items'));
}

const goalLiesAhead = ({ offers, options }: Evaluation): boolean =>
  options.length > 0 &&
  offers.some(({ status, goals }) => status === 'inForce' && goals.some(({ reached }) => !reached));
