import { spokenBy, type NoticeSilence } from '../notices/speaking-notice.ts';
import type { ZoneContext } from './context.ts';
import type { LeadMessage } from './evaluation.ts';
import type { Outcome } from './outcome.ts';

/** What a notice would say if it led, or why it says nothing. */
export type NoticeVoice = { noticeId: string } & ({ message: LeadMessage } | { silent: NoticeSilence });

/** What each notice of the zone would say, in the order of their priority. */
export function noticeVoices({ zone, facts }: ZoneContext, { now }: { now: Outcome }): NoticeVoice[] {
  const offered = now.priced.flatMap((entry) => ('after' in entry ? [entry.option] : []));
  return zone.notices.map((notice): NoticeVoice => {
    const spoken = spokenBy(notice, facts, offered);
    if ('silent' in spoken) return { noticeId: notice.id, ...spoken };
    const message: LeadMessage = {
      speakerId: notice.id,
      goalId: null,
      state: 'notice',
      free: now.paid.includes(0) || now.gifts.length > 0,
      arguments: { ...noGoal, items: facts.cart.measures.items, ...spoken },
    };
    return { noticeId: notice.id, message };
  });
}

export const noticesSaid = (context: ZoneContext, standing: { now: Outcome }): LeadMessage[] =>
  noticeVoices(context, standing).flatMap((voice) => ('message' in voice ? [voice.message] : []));

/** What a notice has none of. */
const noGoal = {
  measure: 'value',
  remaining: 0,
  goal: 0,
  counted: 0,
  percent: 0,
  optionPrice: null,
  reward: 'none',
  code: null,
} as const satisfies Partial<LeadMessage['arguments']>;
