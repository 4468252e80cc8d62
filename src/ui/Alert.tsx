import type { ReactNode } from 'react';

/** What went wrong, said at once to whoever listens. */
export function Alert({ className = '', children }: { className?: string; children: ReactNode }) {
  return (
    <div role="alert" className={`alert alert-soft alert-error flex-wrap justify-items-start px-3 py-1.5 ${className}`}>
      <span>{children}</span>
    </div>
  );
}
