import { useEffect, useRef, type ReactNode } from 'react';
import type { StatementFound } from '../../../contract/shapes/surface.ts';
import { verdictInWords } from './surface-words.ts';

/** So much of a text is drawn at once. UTF-16 units */
const mostDrawn = 60_000;

const looks: Record<StatementFound['verdict'], string> = {
  right: 'bg-transparent text-inherit underline decoration-primary decoration-2 underline-offset-2',
  stale: 'bg-error/15 text-inherit underline decoration-error decoration-double underline-offset-2',
  unclear: 'bg-warning/15 text-inherit underline decoration-warning decoration-dotted decoration-2 underline-offset-2',
};

/** What stands above a mark that is shown. px */
const above = 60;

/** What was read of a surface, with what it states marked. */
export function MarkedText({
  text,
  found,
  at,
  language,
}: {
  text: string;
  found: readonly StatementFound[];
  /** where the statement begins that is to be seen */
  at: number;
  language: string;
}) {
  const box = useRef<HTMLDivElement>(null);
  const from = at < mostDrawn / 2 ? 0 : at - mostDrawn / 2;
  const to = Math.min(text.length, from + mostDrawn);
  useEffect(() => {
    const { current } = box;
    const mark = current?.querySelector(`[data-start="${at}"]`);
    if (!current || !mark) return;
    current.scrollTop += mark.getBoundingClientRect().top - current.getBoundingClientRect().top - above;
  }, [at, text]);
  const parts: ReactNode[] = [];
  let drawn = from;
  for (const one of found) {
    if (one.start < drawn || one.end > to) continue;
    parts.push(
      text.slice(drawn, one.start),
      <mark
        key={one.start}
        className={looks[one.verdict]}
        title={verdictInWords(one)}
        data-verdict={one.verdict}
        data-start={one.start}
      >
        {text.slice(one.start, one.end)}
      </mark>,
    );
    drawn = one.end;
  }
  parts.push(text.slice(drawn, to));
  return (
    <div
      ref={box}
      className="max-h-72 overflow-auto rounded border border-hairline p-2 whitespace-pre-wrap"
      lang={language}
      dir="auto"
      role="region"
      aria-label="What it says"
      tabIndex={0}
      data-testid="surface-text"
    >
      {from > 0 && <p className="text-soft">{from} letters before.</p>}
      {parts}
      {to < text.length && <p className="text-soft">{text.length - to} letters more.</p>}
    </div>
  );
}
