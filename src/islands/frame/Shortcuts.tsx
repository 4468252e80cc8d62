import { useEffect, useRef } from 'react';

const shortcuts: [keys: string, does: string][] = [
  ['Ctrl K', 'Command palette: every stop, market, offer, option and action'],
  ['Ctrl Z', 'Undo'],
  ['Ctrl Shift Z', 'Redo'],
  ['[ ]', 'To the part before or after'],
  ['?', 'This list'],
  ['← →', 'On a goal’s pennant or the spend line: move by one step'],
  ['Shift ← →', 'Move by ten steps'],
  ['Alt ← →', 'Move by the smallest coin'],
  ['Alt →', 'In the goal grid: fill the goal into the next market'],
  ['Home End', 'On the spend line or the picture of orders: to its ends'],
  ['Enter', 'On the picture of orders: one end of a group, then the other'],
  ['{', 'In a text at Wording: what can stand there, by arrows and Enter'],
  ['N', 'At Rehearse: the next seam, an amount at which something changes'],
  ['Esc', 'Leave a field with its old value, or a list'],
];

/** The keys there are; opened as soon as it has come. */
export default function Shortcuts({ close }: { close: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => dialog.current?.showModal(), []);
  return (
    <dialog
      ref={dialog}
      className="modal modal-top"
      aria-labelledby="shortcuts-title"
      onClose={close}
      onClick={(event) => event.target === event.currentTarget && close()}
    >
      <div className="modal-box mx-auto mt-[8vh] w-[min(620px,94vw)] p-5">
        <h2 id="shortcuts-title" className="mb-2 text-title">
          Keys
        </h2>
        <dl className="grid grid-cols-[9rem_1fr] gap-y-1.5">
          {shortcuts.map(([keys, does]) => (
            <div key={keys} className="contents">
              <dt>
                {keys.split(' ').map((key) => (
                  <kbd key={key} className="kbd kbd-sm mr-1">
                    {key}
                  </kbd>
                ))}
              </dt>
              <dd>{does}</dd>
            </div>
          ))}
        </dl>
        <button type="button" className="btn btn-sm mt-4" onClick={close}>
          Close
        </button>
      </div>
    </dialog>
  );
}
