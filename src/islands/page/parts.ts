import { createStore } from 'zustand/vanilla';

/** A part of the stop one is at: a place on the page that can be gone to. */
export interface Part {
  name: string;
  element: HTMLElement;
}

/** The parts drawn at the moment, from top to bottom. */
export const placedParts = createStore<readonly Part[]>(() => []);

const fromTop = (a: Part, b: Part): number =>
  a.element.compareDocumentPosition(b.element) & Node.DOCUMENT_POSITION_PRECEDING ? 1 : -1;

type Mark = (element: HTMLElement | null) => (() => void) | undefined;

const marks = new Map<string, Mark>();

/** What makes an element a part of its stop: `<section ref={part('goals')}>`. The same name gives the same function. */
export function part(name: string): Mark {
  const known = marks.get(name);
  if (known) return known;
  const mark: Mark = (element) => {
    if (!element) return undefined;
    const here: Part = { name, element };
    element.dataset.part = name;
    element.style.scrollMarginTop = '10px';
    placedParts.setState((parts) => [...parts, here].sort(fromTop), true);
    return () => placedParts.setState((parts) => parts.filter((other) => other !== here), true);
  };
  marks.set(name, mark);
  return mark;
}

/** Goes to a part, by sight and by keyboard. */
export function goToPart({ element }: Part): void {
  element.tabIndex = -1;
  element.focus({ preventScroll: true });
  element.scrollIntoView({ block: 'start' });
}
