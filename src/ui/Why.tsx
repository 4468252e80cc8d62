import { useId, useState, type ReactNode } from 'react';

export interface Reason {
  sentence: string;
  /** where what it rests on is set */
  address?: string;
  children: Reason[];
}

/** The small `?` beside a figure, and the reason that opens below the row it stands in. */
export function useWhy(what: string, reason: () => Reason | null): { button: ReactNode; panel: ReactNode } {
  const [open, setOpen] = useState(false);
  const id = useId();
  const shown = open ? reason() : null;
  return {
    button: (
      <button
        type="button"
        className="inline-flex size-6 items-center justify-center text-fine text-soft hover:text-base-content"
        aria-expanded={open}
        aria-controls={id}
        aria-label={`Why: ${what}`}
        onClick={() => setOpen(!open)}
      >
        <span className="flex size-4 items-center justify-center rounded-full border border-faint">?</span>
      </button>
    ),
    panel: (
      <div id={id} hidden={!open} className="mt-1 border-l-2 border-primary py-0.5 pl-2 text-small">
        {shown && <Reasons reasons={[shown]} />}
        {!shown && open && 'There is nothing to explain here.'}
      </div>
    ),
  };
}

export function Reasons({ reasons }: { reasons: Reason[] }) {
  return (
    <ul>
      {reasons.map((reason, index) => (
        <li key={index} className="py-0.5">
          {reason.sentence}
          {reason.address !== undefined && (
            <a
              className="ml-1 text-fine whitespace-nowrap text-primary link"
              href={reason.address}
              aria-label={`set there: ${reason.sentence}`}
            >
              set there
            </a>
          )}
          {reason.children.length > 0 && (
            <div className="pl-3 text-soft">
              <Reasons reasons={reason.children} />
            </div>
          )}
        </li>
      ))}
    </ul>
  );
}
