import type { Fact } from '../../core/conditions/fact.ts';
import { Remove } from '../../ui/Remove.tsx';
import { useDraft } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { countryName } from '../page/place-names.ts';
import { PostcodeWord, WordChoice } from './first-words.tsx';

/** The words of a condition; the last one stays, because without any there would be no condition. */
export function WordValues({
  fact,
  label,
  values,
  change,
}: {
  fact: Fact;
  label: string;
  values: readonly string[];
  change: (values: string[]) => void;
}) {
  return (
    <>
      {values.map((word, index) => (
        <span key={word}>
          {index > 0 && ' or '}
          <WordName fact={fact} word={word} />
          {values.length > 1 && <Remove what={word} remove={() => change(values.filter((other) => other !== word))} />}
        </span>
      ))}
      <WordChoice
        fact={fact}
        label={label}
        shown="or …"
        choose={(word) => !values.includes(word) && change([...values, word])}
      />
    </>
  );
}

function WordName({ fact, word }: { fact: Fact; word: string }) {
  const { locale } = useNotation();
  const { nameOf, shown } = fact.words!;
  const name = useDraft(({ policy }) => nameOf?.(word, policy) ?? word);
  return <>{shown ? shown(word, (code) => countryName(code, locale)) : name}</>;
}

export function PatternList({
  patterns,
  change,
}: {
  patterns: readonly string[];
  change: (patterns: string[]) => void;
}) {
  return (
    <>
      {patterns.map((pattern) => (
        <span key={pattern} className="mr-2">
          {pattern}
          {patterns.length > 1 && (
            <Remove what={pattern} remove={() => change(patterns.filter((other) => other !== pattern))} />
          )}
        </span>
      ))}
      <PostcodeWord add={(pattern) => !patterns.includes(pattern) && change([...patterns, pattern])} />
    </>
  );
}
