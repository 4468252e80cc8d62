import type { Policy } from '../policy/types.ts';
import { places } from '../wording/places.ts';
import type { Miss } from './expectations.ts';

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
