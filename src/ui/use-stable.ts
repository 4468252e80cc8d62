import { useCallback, useEffect, useRef } from 'react';

/** The same function throughout, doing what the last one handed in does: what it is given to need not be drawn anew. */
export function useStable<Arguments extends unknown[], Result>(
  work: (...given: Arguments) => Result,
): (...given: Arguments) => Result {
  const current = useRef(work);
  useEffect(() => {
    current.current = work;
  });
  return useCallback((...given) => current.current(...given), []);
}
