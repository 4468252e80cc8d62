import { plainQuery } from '../../core/plain-query.ts';
import { useCallback, useEffect, useState } from 'react';

/** Changes parts of the address; an empty one is left out. */
export type SetQuery = (change: Record<string, string>) => void;

/** A part of the address that is worth sharing; Back and Forward work. An empty part is left out. */
export function useQuery(initial: Record<string, string>): [Record<string, string>, SetQuery] {
  const [query, setQuery] = useState(initial);
  useEffect(() => {
    const read = () => setQuery(plainQuery(new URLSearchParams(window.location.search)));
    window.addEventListener('popstate', read);
    return () => window.removeEventListener('popstate', read);
  }, []);
  const change = useCallback((next: Record<string, string>) => {
    const params = new URLSearchParams(window.location.search);
    for (const [name, value] of Object.entries(next)) {
      if (value === '') params.delete(name);
      else params.set(name, value);
    }
    window.history.pushState(null, '', `?${params.toString()}`);
    setQuery(plainQuery(params));
  }, []);
  return [query, change];
}
