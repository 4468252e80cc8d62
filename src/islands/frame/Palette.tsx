import { Suspense, useEffect, useRef, useState } from 'react';
import { AheadField, nothingTyped } from '../../ui/AheadField.tsx';
import type { Command } from './command.ts';
import { lazyPart } from '../../ui/lazy-part.tsx';

const PaletteList = lazyPart(() => import('./PaletteList.tsx'));

/** The command palette, which fetches its list when it is first opened. */
export function Palette({ open, close, actions }: { open: boolean; close: () => void; actions: readonly Command[] }) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    if (open) dialog.current?.showModal();
    else dialog.current?.close();
  }, [open]);
  return (
    <dialog
      ref={dialog}
      className="modal modal-top"
      aria-label="Command palette"
      onClose={close}
      onClick={(event) => event.target === event.currentTarget && close()}
    >
      {open && (
        <div className="modal-box mx-auto mt-[12vh] w-[min(620px,94vw)] p-0">
          <Opened actions={actions} close={close} />
        </div>
      )}
    </dialog>
  );
}

function Opened({ actions, close }: { actions: readonly Command[]; close: () => void }) {
  const [typed, setTyped] = useState(nothingTyped);
  return (
    <Suspense
      fallback={<AheadField label="Command palette" placeholder="Go to, do …" typed={typed} change={setTyped} />}
    >
      <PaletteList actions={actions} close={close} typed={typed} />
    </Suspense>
  );
}
