import { useEffect, useState } from 'react';
import { call } from '../../client/http.ts';

export interface Region {
  code: string;
  name: string;
}

const known = new Map<string, Region[]>();

/** Regions of a country by ISO 3166-2, once they are there; empty before. */
export function useRegions(country: string | null): Region[] {
  const [, again] = useState(0);
  useEffect(() => {
    if (!country || known.has(country)) return;
    void call<{ regions: Region[] }>('GET', `/api/regions?country=${country}`).then((answer) => {
      if (!answer.ok) return;
      known.set(country, answer.body.regions);
      again((count) => count + 1);
    });
  }, [country]);
  return (country && known.get(country)) || none;
}

const none: Region[] = [];

/** A region's name as far as its country's regions have been asked for; the code otherwise. */
export const regionName = (code: string): string => known.get(code.slice(0, 2))?.find((region) => region.code === code)?.name ?? code;
