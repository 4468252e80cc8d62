import { AddWord } from '../../ui/AddWord.tsx';
import { Remove } from '../../ui/Remove.tsx';
import { languageByName } from '../../core/wording/languages/language-by-name.ts';
import { useNotation } from '../page/page-context.tsx';

/** Languages in the order in which texts fall back. */
export function Languages({
  languages,
  country,
  change,
}: {
  languages: readonly string[];
  country: string | undefined;
  change: (languages: string[]) => void;
}) {
  const { locale } = useNotation();
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
              className="quiet-button !px-1 text-soft"
              aria-label={`${tag} before ${languages[index - 1]}`}
              onClick={() => change(moved(index))}
            >
              ↑
            </button>
          )}
          {languages.length > 1 && (
            <Remove what={tag} remove={() => change(languages.filter((other) => other !== tag))} />
          )}
        </span>
      ))}
      <AddWord
        label="New language"
        placeholder="add a language"
        accept={(text) => {
          const tag = languageByName(text, country, locale);
          return tag !== null && !languages.includes(tag) ? tag : null;
        }}
        reason="A language by its name, or a tag such as nl-NL."
        add={(tag) => change([...languages, tag])}
      />
    </p>
  );
}
