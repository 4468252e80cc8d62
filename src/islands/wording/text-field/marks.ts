import type { WordingFault } from '../../../core/wording/faults.ts';

/** A stretch of a text: an argument, or where a mistake is. */
export interface Mark {
  from: number;
  to: number;
  mark: 'chip' | 'mistake';
}

/** Arguments as chips, and where mistakes are, from left to right. */
export function marksOf(text: string, faults: readonly WordingFault[]): Mark[] {
  const mistakes = faults.flatMap(({ at }): Mark[] =>
    at ? [{ from: at.offset, to: Math.max(at.offset + 1, at.offset + at.length), mark: 'mistake' }] : [],
  );
  const chips = [...text.matchAll(/\{[A-Za-z]+\}|\{[A-Za-z]+, ?(?:plural|select|selectordinal),|#/g)].map(
    ({ index, 0: found }): Mark => ({ from: index, to: index + found.length, mark: 'chip' }),
  );
  return [...mistakes, ...chips].sort((a, b) => a.from - b.from);
}
