import type { Policy, Surface, SurfaceKind } from '../../src/core/policy/types.ts';

let order = 0;
const surface = (
  name: string,
  kind: SurfaceKind,
  [market, language]: readonly [market: string, language: string],
  keeper: string,
  page?: string,
): Surface => ({
  order: ++order,
  name,
  kind,
  ...(page === undefined ? {} : { address: `/stand-ins/pages/${page}` }),
  markets: { [market]: true },
  languages: [language],
  keeper,
});
const dutch = ['nlbe', 'nl-NL'] as const;

/** Where Gustmoor Kites and others say what delivery costs. The Dutch and the Danish banner and the British page are behind. */
export const surfaces: NonNullable<Policy['surfaces']> = {
  'banner-nl': surface('Banner of the Dutch shop', 'banner', dutch, 'web shop', 'banner-nl.html'),
  'delivery-nl': surface('Delivery, Dutch shop', 'policyPage', dutch, 'web shop', 'delivery-nl.html'),
  'mail-fr': surface('Thank-you mail, Belgium', 'mailTemplate', ['nlbe', 'fr-BE'], 'marketing'),
  'autumn-de': surface('Autumn page, Germany', 'landingPage', ['deat', 'de-DE'], 'marketing', 'landing-de.html'),
  'product-uk': surface('Tidewing 16, British shop', 'structuredData', ['uk', 'en-GB'], 'web shop', 'product-uk.html'),
  'banner-da': surface('Banner of the Danish shop', 'banner', ['dk', 'da-DK'], 'web shop', 'banner-da.html'),
  'coast-us': surface('Coast page, United States', 'landingPage', ['us', 'en-US'], 'marketing', 'landing-us.html'),
  'delivery-ja': surface('Delivery, Japanese shop', 'policyPage', ['jp', 'ja-JP'], 'agency', 'delivery-ja.html'),
};
