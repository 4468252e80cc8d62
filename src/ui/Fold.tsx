import { ChevronDown, ChevronRight } from 'lucide-react';
import { useState, type ReactNode } from 'react';

/** A heading that opens what it is about. `children` is drawn only while it is open. */
export function Fold({ heading, children, testId }: { heading: string; children: () => ReactNode; testId: string }) {
  const [open, setOpen] = useState(false);
  const Mark = open ? ChevronDown : ChevronRight;
  return (
    <>
      <h2 className="text-title">
        <button
          type="button"
          className="btn btn-ghost btn-xs px-0"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          data-testid={testId}
        >
          <Mark size={15} aria-hidden /> {heading}
        </button>
      </h2>
      {open && children()}
    </>
  );
}
