import type { Policy } from '../../core/policy/types.ts';
import type { Messages, Miss } from '../../core/test-carts/expectations.ts';
import { placeIds, places } from '../../core/wording/places.ts';
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

/** What came out otherwise than expected. @param write a price, or that an option is not offered */
export function missInWords(miss: Miss, { options, offers }: Policy, write: (minor: number | null) => string): string {
  switch (miss.what) {
    case 'option':
      return `${options[miss.optionId]?.name ?? miss.optionId}: expected ${write(miss.expected)}, is ${write(miss.found)}`;
    case 'goal':
      return `The goal of “${offers[miss.offerId]?.name ?? miss.offerId}” was expected to be ${miss.expected ? 'reached and is not' : 'out of reach and is reached'}`;
    case 'message':
      return `${places[miss.place].short}: expected ${miss.expected ? `“${miss.expected}”` : 'nothing'}, reads ${miss.found ? `“${miss.found}”` : 'nothing'}`;
    case 'toPay':
      return `To pay: expected ${write(miss.expected)}, is ${miss.found === null ? 'nothing that can be paid' : write(miss.found)}`;
  }
}
