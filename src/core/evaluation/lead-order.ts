import type { Evaluation } from './evaluation.ts';
import { voicesOf, type Silence } from './lead-message.ts';
import { outcomeOf } from './outcome.ts';
import type { PreparedCase } from './prepare.ts';
import { pricesBefore } from './price-options.ts';

/** What comes of an offer that wants to speak: it leads, another one does, or it says nothing. */
export type LeadRank =
  | { offerId: string; rank: 'leads' }
  | { offerId: string; rank: 'after' }
  | { offerId: string; rank: 'silent'; because: Silence };

/**
 * Every offer of the zone in the order in which they are asked, and what comes of each: one leads, the others wait for it
 * to be reached or say nothing. Nothing rotates: the same cart always reads the same.
 *
 * @param evaluation of the same case
 * @returns empty where no option can be chosen, so that nobody speaks
 */
export function leadOrder(
  { context }: PreparedCase,
  { lead, options, preselected }: Pick<Evaluation, 'lead' | 'options' | 'preselected'>,
): LeadRank[] {
  if (!context || options.length === 0) return [];
  const before = pricesBefore(context);
  return voicesOf(context, { before, now: outcomeOf(context, before, context.active), preselected }).map(
    ({ offerId, ahead, given }): LeadRank => {
      if (lead?.offerId === offerId) return { offerId, rank: 'leads' };
      return 'silent' in ahead && 'silent' in given
        ? { offerId, rank: 'silent', because: ahead.silent === 'changesNothing' ? given.silent : ahead.silent }
        : { offerId, rank: 'after' };
    },
  );
}
