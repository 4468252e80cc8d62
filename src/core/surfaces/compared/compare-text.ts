import type { Reading } from '../statements/read-statements.ts';
import type { Statement } from '../statements/statement.ts';
import { compareStatement, type ChargedUnder, type Verdict } from './compare-statement.ts';
import type { Compared, Found } from './compared.ts';

/** A market that a surface speaks for, in one of its languages, with what releases charge there, the newest first. */
export interface Listener {
  marketId: string;
  language: string;
  currency: string;
  history: readonly ChargedUnder[];
}

/**
 * What a text states, compared with every market that it may speak for: right where it is of one of them, else stale before unclear.
 *
 * @param statementsOf what it states for a language and currency
 */
export function compareText(
  text: string,
  statementsOf: (reading: Reading) => readonly Statement[],
  listeners: readonly Listener[],
): Compared {
  const statements = new Map<string, { statement: Statement; by: Listener[] }>();
  for (const listener of listeners) {
    const { language, currency } = listener;
    for (const statement of statementsOf({ language, currency })) {
      const at = `${statement.start} ${statement.end} ${statement.kind}`;
      const known = statements.get(at);
      if (known) known.by.push(listener);
      else statements.set(at, { statement, by: [listener] });
    }
  }
  const found: Found[] = [];
  for (const { statement, by } of [...statements.values()].sort((a, b) => a.statement.start - b.statement.start)) {
    // Two languages may read the same words: the first that did tells what they state.
    if (found.some(({ start, end }) => start < statement.end && statement.start < end)) continue;
    const best = bestOf(
      by.map(({ marketId, history }) => ({ marketId, verdict: compareStatement(statement, history) })),
    );
    found.push({ kind: statement.kind, start: statement.start, end: statement.end, ...best });
  }
  return { shown: text, found, rightRows: 0 };
}

const ranks = { right: 0, stale: 1, unclear: 2 } as const;

/** The best of several verdicts, the first of those alike. */
export function bestOf(verdicts: readonly { marketId: string; verdict: Verdict }[]): {
  marketId: string | null;
  verdict: Verdict;
} {
  const [first, ...others] = verdicts;
  if (!first) return { marketId: null, verdict: { verdict: 'unclear', because: 'nothingOfIt' } };
  return others.reduce((best, one) => (ranks[one.verdict.verdict] < ranks[best.verdict.verdict] ? one : best), first);
}
