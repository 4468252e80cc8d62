import { useEffect, useState } from 'react';
import { useNow } from './page-context.tsx';

/**
 * The server's time, going on by the browser's steady clock: a wrong clock on this machine does not matter. ms
 *
 * @param running whether something counts by it; it stands still otherwise, and nothing is drawn anew
 */
export function useServerClock(running: boolean): number {
  const now = useNow();
  const [passed, setPassed] = useState(0);
  useEffect(() => {
    if (!running) return;
    const started = performance.now();
    const timer = setInterval(() => setPassed(performance.now() - started), 1000);
    return () => clearInterval(timer);
  }, [running]);
  return now + passed;
}
