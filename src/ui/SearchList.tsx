import { Command as Menu } from 'cmdk';
import { useEffect, useMemo, useRef, useState } from 'react';

export interface SearchEntry<T> {
  value: T;
  name: string;
  /** heading under which it stands */
  group?: string;
  /** other words under which it is found */
  also?: string;
}

/** More are found by typing further. */
const mostShown = 40;

/** A list that is searched by typing; arrows, Enter and Escape work from the field. Opened where it is needed, in the text. */
export function SearchList<T>({
  label,
  placeholder,
  entries,
  choose,
  close,
  own,
}: {
  label: string;
  placeholder: string;
  entries: readonly SearchEntry<T>[];
  choose: (value: T) => void;
  close: () => void;
  /** what is typed and is none of the entries; null where it cannot be taken */
  own?: (text: string) => T | null;
}) {
  const [text, setText] = useState('');
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => box.current?.querySelector('input')?.focus(), []);
  const found = useMemo(() => matching(entries, text), [entries, text]);
  const typed = text.trim();
  const taken = own && typed !== '' && !found.some(({ name }) => name === typed) ? own(typed) : null;
  const groups = [...new Set(found.map(({ group }) => group ?? ''))];
  return (
    <div
      ref={box}
      className="search-list"
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.preventDefault();
        event.stopPropagation();
        close();
      }}
      onBlur={(event) => !event.currentTarget.contains(event.relatedTarget) && close()}
    >
      <Menu label={label} shouldFilter={false}>
        <Menu.Input placeholder={placeholder} value={text} onValueChange={setText} aria-label={label} />
        <Menu.List label={label}>
          {groups.map((group) => (
            <Menu.Group key={group} heading={group || undefined}>
              {found.map(
                ({ value, name, group: own = '' }, index) =>
                  own === group && (
                    <Menu.Item key={index} value={`${index}`} onSelect={() => choose(value)}>
                      {name}
                    </Menu.Item>
                  ),
              )}
            </Menu.Group>
          ))}
          {taken !== null && (
            <Menu.Item value="own" onSelect={() => choose(taken)}>
              “{typed}”
            </Menu.Item>
          )}
          {found.length === 0 && taken === null && (
            <p className="px-2 py-1 text-soft">{own ? 'Type what it is.' : 'Nothing of that name.'}</p>
          )}
        </Menu.List>
      </Menu>
    </div>
  );
}

/** Entries in which every typed word begins a word, those whose name begins with what is typed first. */
function matching<T>(entries: readonly SearchEntry<T>[], text: string): SearchEntry<T>[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return entries.slice(0, mostShown);
  const hits = entries.filter(({ name, also = '', group = '' }) => {
    const parts = `${name} ${also} ${group}`.toLowerCase().split(/[\s,()/-]+/);
    return words.every((word) => parts.some((part) => part.startsWith(word)));
  });
  const begins = ({ name }: SearchEntry<T>) => (name.toLowerCase().startsWith(words[0]!) ? 0 : 1);
  return [...hits].sort((a, b) => begins(a) - begins(b)).slice(0, mostShown);
}
