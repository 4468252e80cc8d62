import { speaksInMarket, textSpeakers } from '../text-speaker.ts';
import { inOrder } from '../../ordered.ts';
import type { Policy } from '../../policy/types.ts';
import type { MessageState } from '../../evaluation/evaluation.ts';
import { findText } from '../find-text.ts';

/** An offer or a notice that is on whose texts some shoppers would read in another language than theirs, or not at all. */
interface MissingLanguage {
  speakerId: string;
  language: string;
  /** what is read instead; null: nothing */
  instead: string | null;
}

const states: readonly MessageState[] = ['progress', 'reached'];
const noticeStates: readonly MessageState[] = ['notice'];

/** Languages of the markets that offers hold in, in which being on the way or having reached is not said although it is in others. */
export function missingLanguages(policy: Policy): MissingLanguage[] {
  const missing = new Map<string, MissingLanguage>();
  for (const { id: speakerId, on, isNotice } of textSpeakers(policy)) {
    if (!on) continue;
    for (const state of isNotice ? noticeStates : states) {
      if (!policy.wording[speakerId]?.[state]) continue;
      for (const [marketId, market] of inOrder(policy.markets)) {
        if (!speaksInMarket(policy, speakerId, marketId)) continue;
        for (const language of market.languages) {
          const found = findText(policy, { speakerId, state, place: 'strip', language }, market.languages);
          if (found && found.language.split('-')[0] === language.split('-')[0]) continue;
          missing.set(`${speakerId} ${language}`, { speakerId, language, instead: found?.language ?? null });
        }
      }
    }
  }
  return [...missing.values()];
}
