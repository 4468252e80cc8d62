import type { WordingFault } from '../../core/wording/faults.ts';

type Mark = 'chip' | 'mistake';

/** Text as it stands behind a see-through field: arguments as chips, mistakes underlined. */
export function MarkedText({ text, faults }: { text: string; faults: readonly WordingFault[] }) {
  const marks: { from: number; to: number; mark: Mark }[] = faults.flatMap(({ at }) =>
    at ? [{ from: at.offset, to: Math.max(at.offset + 1, at.offset + at.length), mark: 'mistake' as const }] : [],
  );
  for (const { index, 0: found } of text.matchAll(/\{[A-Za-z]+\}|\{[A-Za-z]+, ?(?:plural|select|selectordinal),|#/g))
    marks.push({ from: index, to: index + found.length, mark: 'chip' });
  marks.sort((a, b) => a.from - b.from);
  const parts: { text: string; mark: Mark | null }[] = [];
  let at = 0;
  for (const { from, to, mark } of marks) {
    if (from < at) continue;
    parts.push({ text: text.slice(at, from), mark: null }, { text: text.slice(from, to) || ' ', mark });
    at = to;
  }
  parts.push({ text: `${text.slice(at)} `, mark: null });
  return parts.map((part, index) =>
    part.mark === null ? (
      <span key={index}>{part.text}</span>
    ) : (
      <mark key={index} data-mark={part.mark}>
        {part.text}
      </mark>
    ),
  );
}
