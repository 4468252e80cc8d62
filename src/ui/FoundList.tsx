import { Command as Menu } from 'cmdk';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { TypedAhead } from './AheadField.tsx';
import { bestMatches, type SearchEntry } from './best-matches.ts';
import { searchedList } from './list-classes.ts';

/** More are found by typing further. */
const mostShown = 40;

export interface SearchListProps<T> {
  label: string;
  placeholder: string;
  entries: readonly SearchEntry<T>[];
  choose: (value: T) => void;
  /** what is typed and is none of the entries; null where it cannot be taken */
  own?: ((text: string) => T | null) | undefined;
  /** before the list was there */
  typed: TypedAhead;
  /** it fills a dialog, each entry on one line */
  wide?: boolean;
}

/** A field and what is found by what is typed there. */
export default function FoundList<T>({
  label,
  placeholder,
  entries,
  choose,
  own,
  typed: ahead,
  wide = false,
}: SearchListProps<T>) {
  const [text, setText] = useState(ahead.text);
  const found = useMemo(() => bestMatches(entries, text, mostShown), [entries, text]);
  const typed = text.trim();
  const taken = own && typed !== '' && !found.some(({ name }) => name === typed) ? own(typed) : null;
  const [first] = found;
  // Enter that was pressed before the list was there is made good once.
  const entered = useRef(ahead.enter);
  useEffect(() => {
    if (!entered.current || !first) return;
    entered.current = false;
    choose(first.value);
  });
  const groups = [...new Set(found.map(({ group }) => group ?? ''))];
  return (
    <Menu label={label} shouldFilter={false} className={wide ? '' : 'w-80 max-w-full'}>
      <Menu.Input
        autoFocus
        className={`${searchedList.field} ${wide ? 'py-2.5 text-lead' : ''}`}
        placeholder={placeholder}
        value={text}
        onValueChange={setText}
        aria-label={label}
      />
      <Menu.List label={label} className={`${wide ? 'max-h-[46vh]' : 'max-h-60'} ${searchedList.list}`}>
        {groups.map((group) => (
          <Menu.Group key={group} heading={group || undefined} className={searchedList.group}>
            {found.map(
              ({ value, name, hint, group: own = '' }, index) =>
                own === group && (
                  <Menu.Item
                    key={index}
                    value={`${index}`}
                    className={searchedList.item}
                    onSelect={() => choose(value)}
                  >
                    <span className={wide ? 'min-w-0 truncate' : ''}>{name}</span>
                    {hint && <span className={`text-fine text-soft ${wide ? 'shrink-0' : ''}`}>{hint}</span>}
                  </Menu.Item>
                ),
            )}
          </Menu.Group>
        ))}
        {taken !== null && (
          <Menu.Item value="own" className={searchedList.item} onSelect={() => choose(taken)}>
            “{typed}”
          </Menu.Item>
        )}
        {found.length === 0 && taken === null && (
          <p className="px-3 py-1 text-soft">{own ? 'Type what it is.' : 'Nothing of that name.'}</p>
        )}
      </Menu.List>
    </Menu>
  );
}
