import type { Policy } from '../../src/core/policy/types.ts';

/** Made-up shoppers, one of each kind that offers tell apart. */
export const shoppers: NonNullable<Policy['shoppers']> = {
  guest: { order: 1, name: 'Guest', shopper: { signedIn: false } },
  newcomer: {
    order: 2,
    name: 'First order',
    shopper: { signedIn: true, individual: 'S-9001', groups: ['newsletter'], orderCount: 0, lifetimeSpend: 0 },
  },
  returning: {
    order: 3,
    name: 'Back after long',
    shopper: {
      signedIn: true,
      individual: 'S-0417',
      orderCount: 3,
      lastOrderAt: '2025-09-18T10:00Z',
      lifetimeSpend: 24_500,
    },
  },
  trade: {
    order: 4,
    name: 'Trade',
    shopper: {
      signedIn: true,
      individual: 'S-3200',
      groups: ['trade'],
      tags: ['invoice'],
      business: true,
      billingCountry: 'NL',
      orderCount: 26,
      lastOrderAt: '2026-11-02T08:30Z',
      lifetimeSpend: 612_000,
    },
  },
  member: {
    order: 5,
    name: 'Member',
    shopper: {
      signedIn: true,
      individual: 'S-1042',
      groups: ['members'],
      business: false,
      orderCount: 4,
      lastOrderAt: '2026-10-02T09:00Z',
      lifetimeSpend: 31_250,
    },
  },
};
