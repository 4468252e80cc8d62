import { searchedList } from './list-classes.ts';

/** What has been typed while a list was still being fetched, and whether Enter was pressed already. */
export interface TypedAhead {
  text: string;
  enter: boolean;
}

export const nothingTyped: TypedAhead = { text: '', enter: false };

/** Stands in for a list's field until it has come, so that no key is lost. */
export function AheadField({
  label,
  placeholder,
  typed,
  change,
}: {
  label: string;
  placeholder: string;
  typed: TypedAhead;
  change: (typed: TypedAhead) => void;
}) {
  return (
    <span className="block h-24 w-80 max-w-full">
      <input
        autoFocus
        className={searchedList.field}
        aria-label={label}
        placeholder={placeholder}
        value={typed.text}
        onChange={(event) => change({ text: event.target.value, enter: false })}
        onKeyDown={(event) => {
          if (event.key === 'Enter') change({ ...typed, enter: true });
        }}
      />
    </span>
  );
}
