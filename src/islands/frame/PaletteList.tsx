import { Command as Menu } from 'cmdk';
import { useMemo, useState } from 'react';
import { bestMatches } from '../../ui/best-matches.ts';
import { searchedList } from '../../ui/list-classes.ts';
import type { Command } from './commands.ts';

/** More are found by typing further. */
const mostShown = 40;

/** What the palette has found: the best match first, and nothing that does not match. */
export default function PaletteList({ commands, close }: { commands: readonly Command[]; close: () => void }) {
  const [text, setText] = useState('');
  const found = useMemo(() => bestMatches(commands, text, mostShown), [commands, text]);
  const groups = [...new Set(found.map(({ group }) => group))];
  return (
    <Menu label="Command palette" shouldFilter={false}>
      <Menu.Input
        autoFocus
        className={`${searchedList.field} py-2.5 text-lead`}
        placeholder="Go to, do, or find what shoppers read …"
        value={text}
        onValueChange={setText}
        aria-label="Command palette"
      />
      <Menu.List label="Found" className={`max-h-[46vh] ${searchedList.list}`}>
        {found.length === 0 && <p className="px-3 py-2 text-soft">Nothing of that name.</p>}
        {groups.map((group) => (
          <Menu.Group key={group} heading={group} className={searchedList.group}>
            {found.map(
              (command, index) =>
                command.group === group && (
                  <Menu.Item
                    key={index}
                    value={`${index}`}
                    className={searchedList.item}
                    onSelect={() => {
                      close();
                      command.value();
                    }}
                  >
                    <span className="min-w-0 truncate">{command.name}</span>
                    {command.hint && <span className="shrink-0 text-fine text-soft">{command.hint}</span>}
                  </Menu.Item>
                ),
            )}
          </Menu.Group>
        ))}
      </Menu.List>
    </Menu>
  );
}
