import { isOutside } from '../../core/wording/outside/outside-states.ts';
import type { TextAddress } from '../../core/wording/text-address.ts';

/** Where at Wording a text is written. */
export function textHref({ speakerId, state, place, language }: TextAddress): string {
  const query = new URLSearchParams({ offer: speakerId, language });
  if (place !== 'everyPlace') query.set('place', place);
  if (isOutside(state)) query.set('view', 'outside');
  return `/wording?${query}`;
}
