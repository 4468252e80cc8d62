import { useEffect, useState } from 'react';
import { usePage } from './page-context.tsx';

/** The server's time, going on by the browser's steady clock: a wrong clock on this machine does not matter. ms */
export function useServerClock(every = 1000): number {
  const { now } = usePage();
  const [passed, setPassed] = useState(0);
  useEffect(() => {
    const started = performance.now();
    const timer = setInterval(() => setPassed(performance.now() - started), every);
    return () => clearInterval(timer);
  }, [every]);
  return now + passed;
}
