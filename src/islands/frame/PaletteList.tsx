import { Command as Menu } from 'cmdk';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { TypedAhead } from '../../ui/AheadField.tsx';
import { bestMatches } from '../../ui/best-matches.ts';
import { searchedList } from '../../ui/list-classes.ts';
import { usePolicy } from '../page/draft-context.tsx';
import type { Command } from './command.ts';
import { commandsOf } from './commands.ts';

/** More are found by typing further. */
const mostShown = 40;

/** What the palette has found: the best match first, and nothing that does not match. */
export default function PaletteList({
  actions,
  close,
  typed,
}: {
  /** what the frame itself can do */
  actions: readonly Command[];
  close: () => void;
  /** before the list was there */
  typed: TypedAhead;
}) {
  const policy = usePolicy();
  const commands = useMemo(() => commandsOf(policy, actions), [policy, actions]);
  const [text, setText] = useState(typed.text);
  const found = useMemo(() => bestMatches(commands, text, mostShown), [commands, text]);
  const run = (command: Command) => {
    close();
    command.value();
  };
  // Enter that was pressed before the list was there is made good once.
  const entered = useRef(typed.enter);
  useEffect(() => {
    if (!entered.current || !found[0]) return;
    entered.current = false;
    run(found[0]);
  });
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
                  <Menu.Item key={index} value={`${index}`} className={searchedList.item} onSelect={() => run(command)}>
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
