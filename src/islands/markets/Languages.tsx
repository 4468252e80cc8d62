import { ChevronUp } from 'lucide-react';
import { Remove } from '../../ui/Remove.tsx';
import { LanguageChoice } from '../fields/choices/LanguageChoice.tsx';

/** Languages in the order in which texts fall back. */
export function Languages({
  languages,
  countries,
  change,
}: {
  languages: readonly string[];
  countries: readonly string[];
  change: (languages: string[]) => void;
}) {
  const moved = (index: number) =>
    languages.map((tag, at) => {
      if (at === index - 1) return languages[index]!;
      if (at === index) return languages[index - 1]!;
      return tag;
    });
  return (
    <p className="leading-7">
      Shoppers read{' '}
      {languages.map((tag, index) => (
        <span key={tag} className="mr-2 whitespace-nowrap">
          {index > 0 && <span className="text-soft">then </span>}
          {tag}
          {index > 0 && (
            <button
              type="button"
              className="btn btn-ghost btn-xs px-1 text-soft"
              aria-label={`${tag} before ${languages[index - 1]}`}
              onClick={() => change(moved(index))}
            >
              <ChevronUp size={13} aria-hidden />
            </button>
          )}
          {languages.length > 1 && (
            <Remove what={tag} remove={() => change(languages.filter((other) => other !== tag))} />
          )}
        </span>
      ))}
      <LanguageChoice
        label="New language"
        value={undefined}
        none="add a language"
        countries={countries}
        choose={(tag) => tag !== undefined && !languages.includes(tag) && change([...languages, tag])}
        testId="new-language"
      />
    </p>
  );
}
