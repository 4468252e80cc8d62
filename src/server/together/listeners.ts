import type { Problem } from '../http/problem.ts';

/** Lines that one account may listen on at once: of all tabs of a browser one does. */
const mostOfOne = 20;
const open = new Map<string, number>();

/**
 * Takes a place among those who listen, which is given back when the listener is gone.
 *
 * @param accountId null: whoever sits at this machine, who is not counted @returns why there is none; null: it is taken
 */
export function listening(accountId: string | null, signal: AbortSignal): Problem | null {
  if (accountId === null) return null;
  const count = open.get(accountId) ?? 0;
  if (count >= mostOfOne) return manyLines;
  open.set(accountId, count + 1);
  const leave = () => {
    const left = (open.get(accountId) ?? 1) - 1;
    if (left > 0) open.set(accountId, left);
    else open.delete(accountId);
  };
  if (signal.aborted) leave();
  else signal.addEventListener('abort', leave, { once: true });
  return null;
}

const manyLines: Problem = {
  status: 429,
  title: 'You listen from very many places',
  detail: `What others do is told on ${mostOfOne} lines at once. Close pages that you do not need.`,
  headers: { 'retry-after': '60' },
};
