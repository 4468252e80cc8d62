import { useCallback, useEffect, useState } from 'react';
import { call } from '../../client/http.ts';
import type { Receiver } from '../../contract/shapes/receiver.ts';

/** How often it is looked what has become of a call that waits. ms */
const look = 2000;

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
  const waits = receivers?.some(({ calls }) => calls.some(({ state }) => state === 'waiting')) ?? false;
  useEffect(() => {
    if (!waits) return;
    const timer = setInterval(() => document.visibilityState === 'visible' && void ask(), look);
    return () => clearInterval(timer);
  }, [waits, ask]);
  return { receivers, take: setReceivers, ask };
}
