import type { ReactNode } from 'react';
import type { StatementFound } from '../../../contract/shapes/surface.ts';
import { verdictInWords } from './surface-words.ts';

/** So much of a text is drawn at once. UTF-16 units */
const mostDrawn = 60_000;

const looks: Record<StatementFound['verdict'], string> = {
  right: 'bg-transparent text-inherit underline decoration-primary decoration-2 underline-offset-2',
  stale: 'bg-error/15 text-inherit underline decoration-error decoration-double underline-offset-2',
  unclear: 'bg-warning/15 text-inherit underline decoration-warning decoration-dotted decoration-2 underline-offset-2',
};

/** What was read of a surface, with what it states marked. */
export function MarkedText({
  text,
  found,
  language,
}: {
  text: string;
  found: readonly StatementFound[];
  language: string;
}) {
  const parts: ReactNode[] = [];
  let at = 0;
  for (const one of found) {
    if (one.start < at || one.end > mostDrawn) continue;
    parts.push(
      text.slice(at, one.start),
      <mark key={one.start} className={looks[one.verdict]} title={verdictInWords(one)} data-verdict={one.verdict}>
        {text.slice(one.start, one.end)}
      </mark>,
    );
    at = one.end;
  }
  parts.push(text.slice(at, mostDrawn));
  return (
    <div
      className="max-h-72 overflow-auto rounded border border-hairline p-2 whitespace-pre-wrap"
      lang={language}
      dir="auto"
      role="region"
      aria-label="What it says"
      tabIndex={0}
      data-testid="surface-text"
    >
      {parts}
      {text.length > mostDrawn && <p className="text-soft">And {text.length - mostDrawn} letters more.</p>}
    </div>
  );
}
