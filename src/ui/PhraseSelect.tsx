import { Choice } from './Choice.tsx';

/** More than these are found by typing. */
const mostListed = 15;

/** A choice that stands as a phrase in a sentence. `options`: value and what is read. */
export function PhraseSelect({
  label,
  value,
  options,
  choose,
  quiet,
  testId,
}: {
  label: string;
  value: string;
  options: readonly (readonly [value: string, text: string])[];
  choose: (value: string) => void;
  /** nothing has been chosen that matters */
  quiet?: boolean;
  testId?: string | undefined;
}) {
  if (options.length > mostListed)
    return (
      <Choice
        label={label}
        shown={options.find(([id]) => id === value)?.[1] ?? value}
        entries={() => options.map(([id, name]) => ({ value: id, name }))}
        choose={choose}
        quiet={quiet === true}
        testId={testId}
      />
    );
  return (
    <select
      className={`field ${quiet ? 'text-soft' : ''}`}
      aria-label={label}
      value={value}
      onChange={(event) => choose(event.target.value)}
      data-testid={testId}
    >
      {options.map(([id, text]) => (
        <option key={id} value={id}>
          {text}
        </option>
      ))}
    </select>
  );
}
