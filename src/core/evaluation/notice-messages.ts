import type { Facts } from '../conditions/asked.ts';
import { spokenBy, type NoticeSilence, type SpokenOf } from '../notices/speaking-notice.ts';
import type { ZoneContext } from './context.ts';
import type { LeadMessage } from './evaluation.ts';
import type { Outcome } from './outcome.ts';

/** What a notice would say if it led, or why it says nothing. */
export type NoticeVoice = { noticeId: string } & ({ message: LeadMessage } | { silent: NoticeSilence });

/** What each notice of the zone would say, in the order of their priority. */
export function noticeVoices({ zone, facts }: ZoneContext, { now }: { now: Outcome }): NoticeVoice[] {
  return zone.notices.map((notice): NoticeVoice => {
    const { id } = notice;
    const spoken = spokenBy(notice, facts, now.priced);
    return { noticeId: id, ...('silent' in spoken ? spoken : { message: messageOf(id, spoken, facts, now) }) };
  });
}

/** The messages of those that say something. */
export function noticesSaid({ zone, facts }: ZoneContext, { now }: { now: Outcome }): LeadMessage[] {
  const said: LeadMessage[] = [];
  for (const notice of zone.notices) {
    const spoken = spokenBy(notice, facts, now.priced);
    if (!('silent' in spoken)) said.push(messageOf(notice.id, spoken, facts, now));
  }
  return said;
}

function messageOf(
  noticeId: string,
  { deadline, countedFrom, arrives }: SpokenOf,
  facts: Facts,
  now: Outcome,
): LeadMessage {
  return {
    speakerId: noticeId,
    goalId: null,
    state: 'notice',
    free: now.paid.includes(0) || now.gifts.length > 0,
    arguments: {
      measure: 'value',
      remaining: 0,
      goal: 0,
      counted: 0,
      percent: 0,
      items: facts.cart.measures.items,
      optionPrice: null,
      reward: 'none',
      deadline,
      countedFrom,
      arrives,
      code: null,
    },
  };
}
