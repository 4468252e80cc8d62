import { useEffect, useMemo, useState } from 'react';
import type { CompiledPolicy } from '../../../core/evaluation/compile.ts';
import { countryCodes } from '../../../core/geography/country.ts';
import { countryName } from '../../page/place-names.ts';

type Choice = readonly [code: string, name: string];

/**
 * Every country as a choice: those that markets name first, with the one that is chosen; then the others, and of those that
 * nobody sells to that it is so. The others come once the page is alive: a browser may call a few of them otherwise than the
 * server that draws the page.
 */
export function useCountryChoices(
  { marketOfCountry, marketElsewhere }: CompiledPolicy,
  chosen: string,
  locale: string,
): readonly Choice[] {
  const [alive, setAlive] = useState(false);
  useEffect(() => setAlive(true), []);
  return useMemo(() => {
    const named = (code: string): Choice => {
      const noMarket = marketOfCountry.has(code) || marketElsewhere ? '' : ' (no market)';
      return [code, `${countryName(code, locale)}${noMarket}`];
    };
    const first = new Set([...marketOfCountry.keys(), chosen]);
    const others = alive ? countryCodes.filter((code) => !first.has(code)).map(named) : [];
    return [...[...first].sort().map(named), ...others.sort(([, a], [, b]) => a.localeCompare(b, locale))];
  }, [alive, marketOfCountry, marketElsewhere, chosen, locale]);
}
