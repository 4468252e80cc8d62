import type { Statement, StatementKind } from '../statements/statement.ts';
import type { Verdict } from './compare-statement.ts';

/** Something that a surface states, marked in what is shown of it, and whether it is right. */
export interface Found {
  kind: StatementKind | 'row';
  /** in what is shown, UTF-16 units */
  start: number;
  end: number;
  /** of which market it was taken to be; null: of none */
  marketId: string | null;
  verdict: Verdict;
}

/** A surface beside what releases charge: what was read of it, and what it states. */
export interface Compared {
  shown: string;
  /** in the order of the text */
  found: Found[];
  /** rows of data that are right and not shown */
  rightRows: number;
}

/** A line of data that states something, with the part of it that does. */
export interface DataLine {
  line: string;
  /** in the line */
  start: number;
  end: number;
  kind: Statement['kind'] | 'row';
  marketId: string | null;
  verdict: Verdict;
}

/** Lines of data put under what is shown already. */
export function withLines({ shown, found, rightRows }: Compared, lines: readonly DataLine[]): Compared {
  let text = shown;
  const all = [...found];
  for (const { line, start, end, ...rest } of lines) {
    if (text !== '') text += '\n';
    all.push({ ...rest, start: text.length + start, end: text.length + end });
    text += line;
  }
  return { shown: text, found: all, rightRows };
}
