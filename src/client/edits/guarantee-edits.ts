import type { StarterGuarantee } from '../../core/guarantees/starters.ts';
import { orderAfterLast } from '../../core/ordered.ts';
import type { Guarantee, GuaranteeClaim, OptionSelection } from '../../core/policy/types.ts';
import type { Edit } from './edit.ts';
import { setAt } from './set-at.ts';

/** A guarantee put at the end of the list, on; none where the store has nothing that it could be about. */
export const addGuarantee =
  (id: string, { name, begin }: StarterGuarantee): Edit =>
  (policy) => {
    const begun = begin(policy);
    if (!begun) return [];
    const guarantee: Guarantee = { order: orderAfterLast(policy.guarantees ?? {}), name, on: true, ...begun };
    return setAt(['guarantees', id], guarantee)(policy);
  };

/** Takes a guarantee out. */
export const removeGuarantee =
  (id: string): Edit =>
  (policy) => {
    const last = Object.keys(policy.guarantees ?? {}).every((other) => other === id);
    return setAt(last ? ['guarantees'] : ['guarantees', id], undefined)(policy);
  };

export const setClaim = (id: string, claim: GuaranteeClaim): Edit => setAt(['guarantees', id, 'claim'], claim);

/** What a claim is about: its options, or whether some or each. */
export const setClaimed = (
  id: string,
  claim: GuaranteeClaim,
  change: {
    on?: OptionSelection;
    of?: 'some' | 'each';
    within?: number;
    atMost?: number;
    until?: 'always' | 'goalReached';
  },
): Edit => setClaim(id, { ...claim, ...change } as GuaranteeClaim);
