import { AddWord } from './AddWord.tsx';
import { Remove } from './Remove.tsx';

/** A few words, each of which can be taken out, and one added by typing it. An empty list is none. */
export function WordList({
  what,
  words,
  none,
  placeholder,
  change,
}: {
  what: string;
  words: readonly string[] | undefined;
  none?: string;
  placeholder: string;
  change: (words: string[] | undefined) => void;
}) {
  const list = words ?? [];
  return (
    <>
      {list.map((word) => (
        <span key={word} className="mr-2">
          {word}
          <Remove
            what={`${what} ${word}`}
            remove={() => change(list.length === 1 ? undefined : list.filter((other) => other !== word))}
          />
        </span>
      ))}
      {list.length === 0 && none && <span className="mr-2 text-soft">{none}</span>}
      <AddWord
        label={`New ${what}`}
        placeholder={placeholder}
        accept={(word) => word.length <= 60 && !list.includes(word)}
        reason="A word that is not there yet."
        add={(word) => change([...list, word])}
      />
    </>
  );
}
