import type { Asked } from './summant.ts';

/** Made-up people who may be signed in. */
export interface Shopper {
  id: string;
  name: string;
  /** what the shop knows of them */
  known: NonNullable<Asked['shopper']>;
}

export const shoppers: readonly Shopper[] = [
  { id: 'guest', name: 'Guest', known: { signedIn: false } },
  {
    id: 'first',
    name: 'First order',
    known: { signedIn: true, individual: 'S-9001', groups: ['newsletter'], orderCount: 0, lifetimeSpend: 0 },
  },
  {
    id: 'member',
    name: 'Member',
    known: {
      signedIn: true,
      individual: 'S-1042',
      groups: ['members'],
      business: false,
      orderCount: 4,
      lifetimeSpend: 31_250,
    },
  },
  {
    id: 'trade',
    name: 'Trade',
    known: {
      signedIn: true,
      individual: 'S-3200',
      groups: ['trade'],
      tags: ['invoice'],
      business: true,
      billingCountry: 'NL',
      orderCount: 26,
      lifetimeSpend: 612_000,
    },
  },
];

export const shopperOf = (id: string): Shopper => shoppers.find((one) => one.id === id) ?? shoppers[0]!;
