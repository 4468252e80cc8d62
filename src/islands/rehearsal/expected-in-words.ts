import type { Messages } from '../../core/test-carts/expectations.ts';
import { placeIds } from '../../core/wording/places.ts';
import type { Rehearsal } from './rehearse-cart.ts';

/** What is read in each place. */
export function messagesOf(rehearsal: Rehearsal): Messages {
  return Object.fromEntries(
    placeIds.flatMap((place) => {
      const text = rehearsal.message(place)?.text;
      return text === undefined ? [] : [[place, text]];
    }),
  );
}
