import { useMemo } from 'react';
import type { TypedAhead } from '../../ui/AheadField.tsx';
import FoundList from '../../ui/FoundList.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import type { Command } from './command.ts';
import { commandsOf } from './commands.ts';

/** What the palette finds among all that there is to do, to go to and to read. */
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
  return (
    <FoundList
      wide
      label="Command palette"
      placeholder="Go to, do, or find what shoppers read …"
      entries={commands}
      choose={(run) => {
        close();
        run();
      }}
      typed={typed}
    />
  );
}
