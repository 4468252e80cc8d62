import { Fragment, useEffect, useId, useRef, useState, type ReactNode } from 'react';

/** What a button is for, with what it says, by which those who speak to their machine call it. */
const nameOf = (label: string, shown: ReactNode): string =>
  typeof shown !== 'string' || label.includes(shown) ? label : `${label}: ${shown}`;

/** The focus goes into what has opened: to the first thing that can be used, unless something has taken it. */
function focusInside(panel: HTMLElement) {
  if (!panel.contains(document.activeElement))
    panel.querySelector<HTMLElement>('input, button, select, a[href]')?.focus();
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
  useEffect(() => {
    if (opening > 0 && panel.current) focusInside(panel.current);
  }, [opening]);
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
