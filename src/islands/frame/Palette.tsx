import { Command as Menu } from 'cmdk';
import { useEffect, useRef } from 'react';
import type { Command } from './commands.ts';

export function Palette({ open, close, commands }: { open: boolean; close: () => void; commands: Command[] }) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    if (!open) return dialog.current?.close();
    dialog.current?.showModal();
    dialog.current?.querySelector('input')?.focus();
  }, [open]);
  const groups = [...new Set(commands.map((command) => command.group))];
  return (
    <dialog
      ref={dialog}
      className="palette"
      aria-label="Command palette"
      onClose={close}
      onClick={(event) => event.target === event.currentTarget && close()}
    >
      {open && (
        <Menu label="Command palette">
          <Menu.Input placeholder="Go to, or do …" />
          <Menu.List>
            <Menu.Empty>Nothing of that name.</Menu.Empty>
            {groups.map((group) => (
              <Menu.Group key={group} heading={group}>
                {commands
                  .filter((command) => command.group === group)
                  .map((command, index) => (
                    <Menu.Item
                      key={index}
                      value={`${group} ${command.name} ${command.hint ?? ''} ${index}`}
                      onSelect={() => {
                        close();
                        command.run();
                      }}
                    >
                      <span>{command.name}</span>
                      <span className="text-[12px] text-soft">{command.hint}</span>
                    </Menu.Item>
                  ))}
              </Menu.Group>
            ))}
          </Menu.List>
        </Menu>
      )}
    </dialog>
  );
}
