import type { NoticeSilence } from '../notices/speaking-notice.ts';
import type { Evaluation } from './evaluation.ts';
import { voicesOf, type Silence } from './lead-message.ts';
import { noticeVoices } from './notice-messages.ts';
import { outcomeOf } from './outcome.ts';
import type { PreparedCase } from './prepare.ts';
import { pricesBefore } from './price-options.ts';

/** What comes of an offer or a notice that wants to speak: it leads, another one does, or it says nothing. */
export type LeadRank =
  | { speakerId: string; rank: 'leads' }
  | { speakerId: string; rank: 'after' }
  | { speakerId: string; rank: 'silent'; because: Silence | NoticeSilence };

/**
 * Every offer of the zone in the order in which they are asked, then every notice, and what comes of each: one leads, the others
 * wait for it to be reached or say nothing. Nothing rotates: the same cart always reads the same.
 *
 * @param evaluation of the same case
 * @returns no offers where no option can be chosen, so that none speaks
 */
export function leadOrder(
  { context }: PreparedCase,
  { lead, options, preselected }: Pick<Evaluation, 'lead' | 'options' | 'preselected'>,
): LeadRank[] {
  if (!context) return [];
  const before = options.length === 0 ? [] : pricesBefore(context);
  const standing = { before, now: outcomeOf(context, before, context.active), preselected };
  const rankOf = (speakerId: string, because: Silence | NoticeSilence | null): LeadRank => {
    if (lead?.speakerId === speakerId) return { speakerId, rank: 'leads' };
    return because === null ? { speakerId, rank: 'after' } : { speakerId, rank: 'silent', because };
  };
  const offers = options.length === 0 ? [] : voicesOf(context, standing);
  return [
    ...offers.map(({ offerId, ahead, given }) => {
      if (!('silent' in ahead && 'silent' in given)) return rankOf(offerId, null);
      return rankOf(offerId, ahead.silent === 'changesNothing' ? given.silent : ahead.silent);
    }),
    ...noticeVoices(context, standing).map((voice) => rankOf(voice.noticeId, 'silent' in voice ? voice.silent : null)),
  ];
}
