import type { ReactNode } from 'react';

/** A few things of which one holds, side by side. */
export function Choices({
  label,
  choices,
  chosen,
  choose,
  prefix,
}: {
  label: string;
  choices: readonly (readonly [id: string, name: ReactNode])[];
  chosen: string;
  choose: (id: string) => void;
  /** of what they are found by in tests */
  prefix: string;
}) {
  return (
    <span role="group" aria-label={label} className="join flex-wrap align-baseline">
      {choices.map(([id, name]) => (
        <button
          key={id}
          type="button"
          className="btn join-item btn-xs"
          aria-pressed={id === chosen}
          onClick={() => choose(id)}
          data-testid={`${prefix}-${id || 'first'}`}
        >
          {name}
        </button>
      ))}
    </span>
  );
}
