import type { CompiledPolicy } from '../../core/evaluation/compile.ts';
import { countryCodes } from '../../core/places/country.ts';
import { countryName } from '../frame/place-names.ts';

/** The same on the server and in every browser, which may collate otherwise: the page must not change as it comes alive. */
const sortedBy = (name: string): string => name.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/** Every country as a choice: those that markets name first, then the others, and of those that nobody sells to that it is so. */
export function countryChoices(
  { marketOfCountry, marketElsewhere }: CompiledPolicy,
  locale: string,
): (readonly [code: string, name: string])[] {
  const sold = new Set(marketOfCountry.keys());
  const named = (codes: Iterable<string>, more: string) =>
    [...codes]
      .map((code) => [code, `${countryName(code, locale)}${more}`] as const)
      .sort(([, a], [, b]) => (sortedBy(a) < sortedBy(b) ? -1 : 1));
  return [
    ...named(sold, ''),
    ...named(
      countryCodes.filter((code) => !sold.has(code)),
      marketElsewhere ? '' : ' (no market)',
    ),
  ];
}
