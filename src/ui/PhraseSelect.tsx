/** A choice that stands as a phrase in a sentence. `options`: value and what is read. */
export function PhraseSelect({
  label,
  value,
  options,
  choose,
  head,
  quiet,
  testId,
}: {
  label: string;
  value: string;
  options: readonly (readonly [value: string, text: string])[];
  choose: (value: string) => void;
  /** in a heading */
  head?: boolean;
  /** nothing has been chosen that matters */
  quiet?: boolean;
  testId?: string | undefined;
}) {
  return (
    <select
      className={`phrase ${head ? 'font-head' : ''} ${quiet ? '!text-soft' : ''}`}
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
