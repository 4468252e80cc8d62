import type { Finding, NotExamined } from '../../core/check-up/finding.ts';
import type { Policy } from '../../core/policy/types.ts';
import type { TextState } from '../../core/offers/texts-written.ts';
import type { TextPlace } from '../../core/wording/places.ts';
import { textHref } from '../page/text-href.ts';

/** Where what a finding speaks of is edited. */
export function findingHref(
  { options }: Policy,
  { at, stop, marketId = null }: Pick<NotExamined, 'at' | 'stop'> & Partial<Pick<Finding, 'marketId'>>,
): string {
  const [, root, id = '', state, place, language] = at.split('/');
  if (root === 'wording')
    return language === undefined
      ? `/wording?offer=${id}&view=languages`
      : textHref({ speakerId: id, state: state as TextState, place: place as TextPlace, language });
  if (root === 'testCarts') return `/rehearse?cart=${id}&tool=expected`;
  if (root === 'guarantees') return '/release#guarantees';
  if (root === 'surfaces') return `/release?surface=${id}#surfaces`;
  if (root === 'experiments') return `/results?experiment=${id}#experiments`;
  if (root === 'products') return '/delivery#products';
  const query = new URLSearchParams(marketId === null ? {} : { market: marketId });
  if (root === 'offers' || root === 'notices') query.set('offer', id);
  if (root === 'zones') query.set('zone', id);
  if (root === 'options') {
    query.set('zone', options[id]?.zone ?? '');
    query.set('option', id);
  }
  const asked = query.toString();
  return `/${stop}${asked && `?${asked}`}`;
}
