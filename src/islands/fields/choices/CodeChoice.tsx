import type { SearchEntry } from '../../../ui/best-matches.ts';
import { Choice } from '../../../ui/Choice.tsx';

/** How any choice of a code is put into a sentence. */
export interface CodeChoiceProps {
  label: string;
  /** undefined where none has been chosen */
  value: string | undefined;
  choose: (code: string | undefined) => void;
  /** what stands there without one, and leads back to it; left out where one is always chosen */
  none?: string;
  testId?: string;
}

/** A code by the names it goes by. `entries`: asked for when the list opens; `nameOf`: what the chosen one reads as. */
export function CodeChoice({
  label,
  value,
  choose,
  none,
  testId,
  placeholder,
  entries,
  nameOf,
  own,
}: CodeChoiceProps & {
  placeholder: string;
  entries: () => readonly SearchEntry<string>[];
  nameOf: (code: string) => string;
  own?: (text: string) => string | null;
}) {
  const back: SearchEntry<string | undefined>[] = none === undefined ? [] : [{ value: undefined, name: none }];
  return (
    <Choice<string | undefined>
      label={label}
      shown={value === undefined ? (none ?? 'choose one') : nameOf(value)}
      placeholder={placeholder}
      entries={() => [...back, ...entries()]}
      choose={choose}
      quiet={value === undefined}
      {...(own ? { own } : {})}
      testId={testId}
    />
  );
}
