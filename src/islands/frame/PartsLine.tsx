import { useEffect, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { goToPart, placedParts, type Part } from '../page/parts.ts';
import { trail, type Place } from './trail.ts';

/** px below the top of the workspace within which a part is the one looked at */
const near = 48;

const anchorOf = (name: string) => name.replaceAll(' ', '-');

/** The last part that has come to the top; at the very end, the last one in sight. */
function lookedAt(parts: readonly Part[], main: HTMLElement): string | undefined {
  const top = main.getBoundingClientRect().top + near;
  const atEnd = main.scrollTop > 0 && main.scrollTop + main.clientHeight >= main.scrollHeight - 2;
  const passed = parts.filter(({ element }) => element.getBoundingClientRect().top <= top);
  return (atEnd ? parts.at(-1) : (passed.at(-1) ?? parts[0]))?.name;
}

/** The parts of the stop one is at: the line follows the scroll, and leads to each, by click and by `[` and `]`. */
export function PartsLine({ stop }: { stop: Place }) {
  const parts = useStore(placedParts);
  const [current, setCurrent] = useState<string | undefined>();
  const [alive, setAlive] = useState(false);
  useEffect(() => setAlive(true), []);
  const asked = useRef(true);
  useEffect(() => {
    const main = document.getElementById('workspace')!;
    let frame = 0;
    const look = () => {
      cancelAnimationFrame(frame);
      frame = requestAnimationFrame(() => setCurrent(lookedAt(parts, main)));
    };
    const onKey = (event: KeyboardEvent) => {
      const step = { '[': -1, ']': 1 }[event.key];
      const typing =
        event.target instanceof HTMLElement &&
        event.target.closest('input, textarea, select, dialog, [popover], [data-typing]');
      if (step === undefined || typing || event.ctrlKey || event.metaKey) return;
      const at = parts.findIndex(({ name }) => name === lookedAt(parts, main));
      const next = parts[at + step];
      if (next) goToPart(next);
    };
    const wanted = asked.current && parts.find(({ name }) => `#${anchorOf(name)}` === window.location.hash);
    if (wanted) {
      asked.current = false;
      goToPart(wanted);
    }
    look();
    main.addEventListener('scroll', look, { passive: true });
    window.addEventListener('scroll', look, { passive: true });
    window.addEventListener('keydown', onKey);
    return () => {
      cancelAnimationFrame(frame);
      main.removeEventListener('scroll', look);
      window.removeEventListener('scroll', look);
      window.removeEventListener('keydown', onKey);
    };
  }, [parts]);
  // Until the page is alive, what a stop usually has: nothing moves once it is. An empty store has none of it.
  const usual = alive ? [] : (trail.find(({ id }) => id === stop)?.parts ?? []);
  const names = parts.length > 0 ? parts.map(({ name }) => name) : usual;
  return (
    <nav
      aria-label="Parts of this stop"
      className="flex min-h-[30px] min-w-0 items-center gap-x-4 overflow-x-auto border-b border-hairline px-5 text-small [scrollbar-width:none]"
      data-testid="parts"
    >
      {names.map((name, index) => (
        <a
          key={name}
          href={`#${anchorOf(name)}`}
          className={`flex min-h-[29px] items-center whitespace-nowrap hover:underline ${name === (current ?? names[0]) ? 'font-semibold text-base-content' : 'text-soft'}`}
          aria-current={name === (current ?? names[0]) ? 'true' : undefined}
          onClick={(event) => {
            event.preventDefault();
            const part = parts[index];
            if (part) goToPart(part);
          }}
        >
          {name}
        </a>
      ))}
      {names.length > 1 && (
        <span className="ml-auto hidden shrink-0 items-center gap-1 text-fine text-soft xl:flex" aria-hidden>
          <kbd className="kbd kbd-xs">[</kbd>
          <kbd className="kbd kbd-xs">]</kbd>
        </span>
      )}
    </nav>
  );
}
