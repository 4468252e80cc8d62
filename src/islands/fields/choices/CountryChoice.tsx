import { countryCodes } from '../../../core/geography/country.ts';
import { countryByName } from '../../../core/geography/country-names.ts';
import type { SearchEntry } from '../../../ui/best-matches.ts';
import { useNotation } from '../../page/page-context.tsx';
import { countryName } from '../../page/place-names.ts';
import { CodeChoice, type CodeChoiceProps } from './CodeChoice.tsx';

/** Every country under its name and code, those that matter most first. */
export function countryEntries(
  locale: string,
  first: readonly string[] = [],
  remark: (code: string) => string = () => '',
): SearchEntry<string>[] {
  const entry = (code: string): SearchEntry<string> => ({
    value: code,
    name: countryName(code, locale),
    hint: [remark(code), code].filter(Boolean).join(', '),
  });
  const others = countryCodes.filter((code) => !first.includes(code)).map(entry);
  return [...first.map(entry), ...others.sort((a, b) => a.name.localeCompare(b.name, locale))];
}

/** A country, by its name in any common language or its two letters. */
export function CountryChoice({
  first,
  remark,
  ...rest
}: CodeChoiceProps & { first?: readonly string[]; remark?: (code: string) => string }) {
  const { locale } = useNotation();
  return (
    <CodeChoice
      {...rest}
      placeholder="A country"
      entries={() => countryEntries(locale, first, remark)}
      nameOf={(code) => countryName(code, locale)}
      own={countryByName}
    />
  );
}
