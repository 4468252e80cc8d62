import { holdsInMarket } from '../../offers/authoring/holds-in-market.ts';
import { inOrder } from '../../ordered.ts';
import type { Policy } from '../../policy/types.ts';
import type { MessageState } from '../../evaluation/evaluation.ts';
import { findText } from '../find-text.ts';

/** An offer that is on whose texts some shoppers would read in another language than theirs, or not at all. */
interface MissingLanguage {
  offerId: string;
  language: string;
  /** what is read instead; null: nothing */
  instead: string | null;
}

const states: readonly MessageState[] = ['progress', 'reached'];

/** Languages of the markets that offers hold in, in which being on the way or having reached is not said although it is in others. */
export function missingLanguages(policy: Policy): MissingLanguage[] {
  const missing = new Map<string, MissingLanguage>();
  for (const [offerId, offer] of inOrder(policy.offers)) {
    if (!offer.on) continue;
    for (const state of states) {
      if (!policy.wording[offerId]?.[state]) continue;
      for (const [marketId, market] of inOrder(policy.markets)) {
        if (!holdsInMarket(offer, marketId)) continue;
        for (const language of market.languages) {
          const found = findText(policy, { offerId, state, place: 'strip', language }, market.languages);
          if (found && found.language.split('-')[0] === language.split('-')[0]) continue;
          missing.set(`${offerId} ${language}`, { offerId, language, instead: found?.language ?? null });
        }
      }
    }
  }
  return [...missing.values()];
}
