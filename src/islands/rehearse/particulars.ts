import type { TestCart } from '../../core/policy/types.ts';

/** What sets a test cart apart besides its goods and where it goes: who buys, when, with which codes. */
export function particularsOf({ shopper, codes, channel, at, discounts, quotes }: TestCart, locale: string, timeZone: string): string[] {
  const discountCount = Object.keys(discounts ?? {}).length;
  return [
    shopper ? shopperInWords(shopper) : '',
    at === undefined ? '' : `on ${new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeStyle: 'short', timeZone }).format(new Date(at))} on the store’s clock`,
    channel === undefined ? '' : `channel ${channel}`,
    codes ? `${codes.length === 1 ? 'code' : 'codes'} ${codes.join(', ')}` : '',
    discountCount > 0 ? `${discountCount} ${discountCount === 1 ? 'discount' : 'discounts'} of the shop` : '',
    ...Object.entries(quotes ?? {}).map(([carrier, quote]) => (quote === null ? `carrier ${carrier} silent` : `carrier ${carrier} quotes`)),
  ].filter(Boolean);
}

function shopperInWords({ signedIn, groups, business, orderCount }: NonNullable<TestCart['shopper']>): string {
  const words = [signedIn ? 'signed in' : 'a guest', ...(groups ?? []), business ? 'for a business' : '', orderCount === 0 ? 'first order' : ''];
  return words.filter(Boolean).join(', ');
}
