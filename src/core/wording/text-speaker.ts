import { holdsInMarket } from '../offers/authoring/holds-in-market.ts';
import { inOrder } from '../ordered.ts';
import type { Notice, Policy } from '../policy/types.ts';

/** Whoever has texts: an offer, or a notice. Their ids differ. */
export interface TextSpeaker {
  id: string;
  name: string;
  isNotice: boolean;
  on: boolean;
  archived: boolean;
}

export const isNotice = ({ notices }: Policy, id: string): boolean => Object.hasOwn(notices ?? {}, id);

/** The notice of that id; undefined for an offer. */
export const noticeOf = ({ notices }: Policy, id: string): Notice | undefined =>
  notices && Object.hasOwn(notices, id) ? notices[id] : undefined;

/** Offers, then notices, each in their order. */
export function textSpeakers({ offers, notices = {} }: Pick<Policy, 'offers' | 'notices'>): TextSpeaker[] {
  const speaker =
    (isNotice: boolean) =>
    ([id, { name, on, archived }]: readonly [
      string,
      { name: string; on: boolean; archived?: true | undefined },
    ]): TextSpeaker => ({ id, name, isNotice, on, archived: archived === true });
  return [...inOrder(offers).map(speaker(false)), ...inOrder(notices).map(speaker(true))];
}

/** What an offer or a notice is called. */
export const speakerName = (policy: Policy, id: string): string =>
  (Object.hasOwn(policy.offers, id) ? policy.offers[id] : noticeOf(policy, id))?.name ?? id;

/** Whether an offer has something to reach in a market, or a notice is for it. */
export function speaksInMarket(policy: Policy, id: string, marketId: string): boolean {
  const notice = noticeOf(policy, id);
  if (notice) return !notice.markets || notice.markets[marketId] === true;
  const offer = policy.offers[id];
  return offer !== undefined && holdsInMarket(offer, marketId);
}
