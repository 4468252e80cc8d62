import type { KeyboardEvent } from 'react';
import { alongLine } from './arrow-keys.ts';

/** Views of which one is seen; arrows go from one to the next. */
export function Tabs({
  label,
  tabs,
  chosen,
  choose,
  prefix,
}: {
  label: string;
  tabs: readonly (readonly [id: string, name: string])[];
  chosen: string;
  choose: (id: string) => void;
  /** of what they are found by in tests */
  prefix: string;
}) {
  const onKeyDown = (event: KeyboardEvent<HTMLDivElement>) => {
    const by = alongLine(event.key);
    if (by === 0) return;
    event.preventDefault();
    const at = tabs.findIndex(([id]) => id === chosen);
    const next = (at + by + tabs.length) % tabs.length;
    choose(tabs[next]![0]);
    event.currentTarget.querySelectorAll('button')[next]?.focus();
  };
  return (
    <div role="tablist" aria-label={label} className="tabs tabs-border tabs-sm" onKeyDown={onKeyDown}>
      {tabs.map(([id, name]) => (
        <button
          key={id}
          type="button"
          role="tab"
          className={`tab ${id === chosen ? 'tab-active' : 'text-soft'}`}
          aria-selected={id === chosen}
          tabIndex={id === chosen ? 0 : -1}
          onClick={() => choose(id)}
          data-testid={`${prefix}-${id || 'first'}`}
        >
          {name}
        </button>
      ))}
    </div>
  );
}
