import type { SearchEntry } from './best-matches.ts';
import { Popover } from './Popover.tsx';
import { SearchList } from './SearchList.tsx';

/** One of many, found by typing: it stands as what is chosen, and opens a list. */
export function Choice<T>({
  label,
  shown,
  placeholder = 'Search …',
  entries,
  choose,
  own,
  quiet,
  className,
  testId,
}: {
  label: string;
  shown: string;
  placeholder?: string;
  /** asked for when it opens */
  entries: () => readonly SearchEntry<T>[];
  choose: (value: T) => void;
  /** what is typed and is none of the entries; null where it cannot be taken */
  own?: (text: string) => T | null;
  /** nothing has been chosen that matters */
  quiet?: boolean;
  className?: string;
  testId?: string | undefined;
}) {
  return (
    <Popover label={label} shown={shown} className={className ?? `field ${quiet ? 'text-soft' : ''}`} testId={testId}>
      {(close) => (
        <SearchList
          label={label}
          placeholder={placeholder}
          entries={entries()}
          choose={(value) => {
            close();
            choose(value);
          }}
          own={own}
        />
      )}
    </Popover>
  );
}
