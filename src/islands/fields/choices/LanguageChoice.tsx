import { languageByName, languageTags } from '../../../core/wording/languages/language-by-name.ts';
import type { SearchEntry } from '../../../ui/best-matches.ts';
import { useNotation } from '../../page/page-context.tsx';
import { CodeChoice, type CodeChoiceProps } from './CodeChoice.tsx';

/** Every language, as the countries given have it, by its name in the reader's language and its own. */
function languageEntries(locale: string, countries: readonly string[]): SearchEntry<string>[] {
  const names = new Intl.DisplayNames(locale, { type: 'language', fallback: 'none' });
  return languageTags.flatMap((tag) => {
    const name = names.of(tag);
    const own = new Intl.DisplayNames(tag, { type: 'language', fallback: 'none' }).of(tag) ?? '';
    const regional = countries.map((country) => `${tag}-${country}`);
    return name === undefined
      ? []
      : (regional.length > 0 ? regional : [tag]).map((value) => ({ value, name, hint: value, also: own }));
  });
}

/** A language as shoppers of some countries read it; others by a tag such as fr-CA. */
export function LanguageChoice({ countries, ...rest }: CodeChoiceProps & { countries: readonly string[] }) {
  const { locale } = useNotation();
  return (
    <CodeChoice
      {...rest}
      placeholder="A language, or a tag such as fr-CA"
      entries={() => languageEntries(locale, countries.slice(0, 4))}
      nameOf={(tag) => tag}
      own={(text) => (/^[a-z]{2,3}(-|$)/i.test(text) ? languageByName(text, countries[0], locale) : null)}
    />
  );
}
