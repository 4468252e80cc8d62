import type { ReactNode } from 'react';

/** How axes of ordinary charts look: the type and inks of the own pictures. */
export const axisLook = {
  tick: { fontSize: 12, fill: 'var(--ink-soft)' },
  axisLine: { stroke: 'var(--ink-soft)' },
  tickLine: { stroke: 'var(--ink-soft)' },
} as const;

export const gridLook = { stroke: 'var(--hairline)', vertical: false } as const;

/** The line that shows where the pointer or the arrow keys are. */
export const cursorLook = { stroke: 'var(--color-primary)', strokeWidth: 1 } as const;

/** What floats beside a chart's pointer. */
export function ChartWords({ children }: { children: ReactNode }) {
  return (
    <div className="rounded-box border border-faint bg-base-100 px-2.5 py-1.5 text-small text-base-content">
      {children}
    </div>
  );
}
