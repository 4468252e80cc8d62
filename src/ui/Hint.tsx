import type { ReactNode } from 'react';

/** What a button of few signs does, read beside it while it is pointed at or has the focus. */
export function Hint({ says, children }: { says: string; children: ReactNode }) {
  return (
    <span className="tooltip tooltip-left" data-tip={says}>
      {children}
    </span>
  );
}
