import type { Asked } from '../../src/core/surfaces/generated/generated.ts';
import type { Policy } from '../../src/core/policy/types.ts';
import { demoCatalogue, tuesday } from './evaluate-store.ts';

/** What surfaces are generated from, with the demo’s products on a Tuesday. */
export const askedOf = (policy: Policy, more: Partial<Asked> = {}): Asked => ({
  policy,
  instant: tuesday,
  ownPrices: () => true,
  regionName: (code) => code,
  catalogue: demoCatalogue,
  storeAddress: 'https://shop.example.com/',
  ...more,
});

/** Every market of a policy with each of its languages. */
export const marketsAndLanguages = (policy: Policy): [marketId: string, language: string, currency: string][] =>
  Object.entries(policy.markets).flatMap(([id, { languages, currency }]) =>
    languages.map((language): [string, string, string] => [id, language, currency]),
  );
