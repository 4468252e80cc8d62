import type { PolicyFault } from '../policy/fault.ts';
import type { Policy } from '../policy/types.ts';

const kinds: Record<string, string> = {
  markets: 'Market',
  zones: 'Zone',
  options: 'Delivery option',
  offers: 'Offer',
  qualifiers: 'Condition',
  testCarts: 'Test cart',
  guarantees: 'Guarantee',
  surfaces: 'Surface',
  places: 'Pick-up place',
  calendars: 'Calendar',
};

const parts: Record<string, string> = {
  store: 'The store',
  rates: 'Exchange rates',
  wording: 'Wording',
  surfaceTexts: 'Texts of surfaces',
};

/** What is wrong as a sentence that names the thing it is about: “Zone “Austria”: AT is not a country of this zone's market”. */
export function faultInWords({ pointer, message }: PolicyFault, policy: Policy): string {
  const [collection = '', id = '', ...rest] = pointer.slice(1).split('/');
  const entry = (policy as unknown as Record<string, Record<string, { name?: string }> | undefined>)[collection]?.[id];
  const field = [...(kinds[collection] ? [] : [id]), ...rest].filter((step) => /^[a-z]+$/i.test(step)).at(-1);
  if (!kinds[collection]) return `${parts[collection] ?? collection}${field ? `, ${field}` : ''}: ${message}`;
  return `${kinds[collection]} “${entry?.name ?? id}”${field && /^(must|is missing|is not known)/.test(message) ? `, ${field}` : ''}: ${message}`;
}
