import { canBeShown } from '../../wording/faults.ts';
import { addressKey, placesOf, statesOf, textAddresses, textAt } from '../../wording/text-address.ts';
import type { TextPlace } from '../../wording/places.ts';
import { isNotice } from '../../wording/text-speaker.ts';
import type { TextState } from '../../offers/texts-written.ts';
import type { Fault } from '../../policy/fault.ts';
import type { Policy } from '../../policy/types.ts';

/**
 * Texts belong to offers and notices that exist, and every text that shoppers would read can be shown to them: what cannot is kept beside
 * it, as unfinished.
 *
 * @param valid a policy without faults, whose texts are not looked at again
 */
export function checkWording(policy: Policy, valid: Policy | undefined, fault: Fault): void {
  for (const part of ['wording', 'textNotes'] as const) {
    for (const [id, states] of Object.entries(policy[part] ?? {})) {
      const known = statesOf(policy, id).map((state): string => state.id);
      if (!policy.offers[id] && !isNotice(policy, id)) fault(`/${part}/${id}`, `there is no offer or notice "${id}"`);
      else
        for (const [state, texts] of Object.entries<object>(states)) {
          if (!known.includes(state)) fault(`/${part}/${id}/${state}`, 'is a state that it is never in');
          for (const place of Object.keys(texts))
            if (!placesOf(state as TextState).includes(place as TextPlace))
              fault(
                `/${part}/${id}/${state}/${place}`,
                'is a place in which it is not read: it is for outside the shop',
              );
        }
    }
  }
  if (valid?.wording === policy.wording) return;
  for (const offerId of Object.keys(policy.wording)) {
    if (valid?.wording[offerId] === policy.wording[offerId]) continue;
    for (const address of textAddresses(policy, offerId)) {
      const text = textAt(policy, address);
      if (text !== undefined && !canBeShown(text))
        fault(`/wording/${addressKey(address)}`, 'cannot be shown to shoppers: keep it in textNotes as unfinished');
    }
  }
}
