import { useMemo } from 'react';
import { usePolicy } from './draft-context.tsx';
import { useNotation } from './page-context.tsx';

/** Writes a moment as the store has it. */
export function useMoments(): (iso: string) => string {
  const { store } = usePolicy();
  const { locale } = useNotation();
  return useMemo(() => {
    const format = new Intl.DateTimeFormat(locale, {
      dateStyle: 'medium',
      timeStyle: 'short',
      timeZone: store.timeZone,
    });
    return (iso) => format.format(Date.parse(iso));
  }, [locale, store.timeZone]);
}
