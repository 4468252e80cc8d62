import { useCallback } from 'react';
import { useNotation } from './page-context.tsx';

/** Writes what an option costs: an amount, or “free”; null: it is not offered. @param currency of the amounts; without one they are written as they are */
export function usePriceWords(currency: string | null): (minor: number | null | undefined) => string {
  const { money } = useNotation();
  return useCallback(
    (minor) => {
      if (minor === null || minor === undefined) return 'not offered';
      if (minor === 0) return 'free';
      if (currency) return money(minor, currency);
      return String(minor);
    },
    [money, currency],
  );
}
