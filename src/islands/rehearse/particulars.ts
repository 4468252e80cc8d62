import type { TestCart } from '../../core/policy/types.ts';

/** What sets a test cart apart besides what stands on its sheet: what is known of who buys, discounts of the shop and what carriers answer. */
export function particularsOf({ shopper, discounts, quotes }: TestCart): string[] {
  const discountCount = Object.keys(discounts ?? {}).length;
  return [
    shopper ? shopperInWords(shopper) : '',
    discountCount > 0 ? `${discountCount} ${discountCount === 1 ? 'discount' : 'discounts'} of the shop` : '',
    ...Object.entries(quotes ?? {}).map(([carrier, quote]) =>
      quote === null ? `carrier ${carrier} silent` : `carrier ${carrier} quotes`,
    ),
  ].filter(Boolean);
}

function shopperInWords({ signedIn, groups, business, orderCount }: NonNullable<TestCart['shopper']>): string {
  const words = [
    signedIn ? 'signed in' : 'a guest',
    ...(groups ?? []),
    business ? 'for a business' : '',
    orderCount === 0 ? 'first order' : '',
  ];
  return words.filter(Boolean).join(', ');
}
