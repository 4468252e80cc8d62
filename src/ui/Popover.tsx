import { Fragment, useEffect, useId, useRef, useState, type ReactNode } from 'react';

/** What a button is for, with what it says, by which those who speak to their machine call it. */
const nameOf = (label: string, shown: ReactNode): string =>
  typeof shown !== 'string' || label.includes(shown) ? label : `${label}: ${shown}`;

/** The focus goes into what has opened: to the first thing that can be used, unless something has taken it. @returns false: there is nothing yet */
function focusInside(panel: HTMLElement): boolean {
  if (panel.contains(document.activeElement)) return true;
  const first = panel.querySelector<HTMLElement>('input, textarea, button, select, a[href]');
  first?.focus();
  return first !== null;
}

/** The same, of what is loaded late as soon as it is there, unless one has gone elsewhere meanwhile. @returns ends it */
function focusOnceThere(panel: HTMLElement): (() => void) | undefined {
  if (focusInside(panel)) return undefined;
  const from = document.activeElement;
  const waiting = new MutationObserver(() => {
    if (document.activeElement !== from || focusInside(panel)) waiting.disconnect();
  });
  waiting.observe(panel, { childList: true, subtree: true });
  return () => waiting.disconnect();
}

/**
 * A button and what it opens over the page. The browser closes it, by Escape or a click elsewhere, and gives the focus back.
 * @param children what stands in it while it is open, drawn only then; it is handed the way to close it
 */
export function Popover({
  label,
  shown,
  className = 'field',
  children,
  testId,
  title,
  disabled,
}: {
  /** of the button; what opens has it too */
  label: string;
  /** what the button says */
  shown: ReactNode;
  className?: string;
  children: (close: () => void) => ReactNode;
  testId?: string | undefined;
  title?: string | undefined;
  disabled?: boolean;
}) {
  // How often it has opened; 0 while it is closed. Closed and opened again at once it says *open* a single time, and begins anew.
  const [opening, setOpening] = useState(0);
  const open = opening > 0;
  const id = useId();
  const panel = useRef<HTMLSpanElement>(null);
  useEffect(() => (opening > 0 && panel.current ? focusOnceThere(panel.current) : undefined), [opening]);
  return (
    <>
      <button
        type="button"
        className={className}
        popoverTarget={id}
        aria-expanded={open}
        aria-haspopup="dialog"
        aria-label={nameOf(label, shown)}
        title={title}
        disabled={disabled}
        data-testid={testId}
      >
        {shown}
      </button>
      <span
        ref={panel}
        id={id}
        popover="auto"
        role="dialog"
        aria-label={label}
        className="floats"
        onToggle={({ target, currentTarget, newState }) =>
          target === currentTarget && setOpening((before) => (newState === 'open' ? before + 1 : 0))
        }
      >
        {open && <Fragment key={opening}>{children(() => panel.current?.hidePopover())}</Fragment>}
      </span>
    </>
  );
}
