import { useCallback, useEffect, useState } from 'react';
import { call } from '../../client/http.ts';
import type { Receiver } from '../../contract/shapes/receiver.ts';

/** How often it is looked what has become of a call that is made about now, and of one that waits for longer. ms */
const [often, seldom] = [2000, 30_000];
/** What is due within so long is made about now. ms */
const soon = 60_000;

/**
 * Who is told of releases, followed while something waits to arrive.
 *
 * @param initial null: not known yet, and asked for
 * @param since asked for anew when it changes
 */
export function useReceivers(initial: readonly Receiver[] | null, since: number | null = null) {
  const [receivers, setReceivers] = useState(initial);
  const ask = useCallback(async () => {
    const answer = await call('GET /api/receivers', {});
    if (answer.ok) setReceivers(answer.body.receivers);
  }, []);
  const unknown = initial === null;
  useEffect(() => {
    if (unknown) void ask();
  }, [ask, unknown, since]);
  useEffect(() => {
    const waiting = receivers?.flatMap(({ calls }) => calls.flatMap(({ nextAt }) => nextAt ?? [])) ?? [];
    if (waiting.length === 0) return;
    const next = Math.min(...waiting.map((at) => Date.parse(at)));
    const timer = setInterval(
      () => document.visibilityState === 'visible' && void ask(),
      next - Date.now() < soon ? often : seldom,
    );
    return () => clearInterval(timer);
  }, [receivers, ask]);
  return { receivers, take: setReceivers, ask };
}
