import { useEffect, useRef, useState } from 'react';
import type { UnderWay } from '../../../client/orders/reading/reading-client.ts';
import type { TellShare } from '../../../client/orders/reading/sometimes.ts';

/** How far looking through orders has come, until something is found. */
export type StillReading =
  { state: 'reading'; share: number } | { state: 'stopped' } | { state: 'failed'; problem: string };
export type ReadingState<Found> = StillReading | { state: 'found'; found: Found };

/**
 * Looks through orders as soon as it is shown, and anew when `begin` is another.
 * @returns how far it is, a way to stop it, and one to begin once more
 */
export function useReading<Found>(begin: (tell: TellShare) => UnderWay<Found>): {
  reading: ReadingState<Found>;
  stop: () => void;
  again: () => void;
} {
  const [reading, setReading] = useState<ReadingState<Found>>({ state: 'reading', share: 0 });
  const [tries, setTries] = useState(0);
  const underWay = useRef<UnderWay<Found> | null>(null);
  useEffect(() => {
    let wanted = true;
    setReading({ state: 'reading', share: 0 });
    const current = begin((share) => wanted && setReading({ state: 'reading', share }));
    underWay.current = current;
    current.done.then(
      (found) => wanted && setReading({ state: 'found', found }),
      (error: unknown) =>
        wanted && setReading({ state: 'failed', problem: error instanceof Error ? error.message : String(error) }),
    );
    return () => {
      wanted = false;
      current.stop();
    };
  }, [begin, tries]);
  return {
    reading,
    stop: () => {
      underWay.current?.stop();
      setReading({ state: 'stopped' });
    },
    again: () => setTries((count) => count + 1),
  };
}
