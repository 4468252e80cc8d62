import { useEffect, useState } from 'react';
import { call } from '../../client/http.ts';

export interface Region {
  code: string;
  name: string;
}

const known = new Map<string, Region[]>();

/** Regions of a country by ISO 3166-2, once they are there; empty before. */
export function useRegions(country: string | null): Region[] {
  useRegionsOf(country ? [country] : []);
  return (country && known.get(country)) || none;
}

/** Regions of several countries, once they are there. */
export function useRegionsOfAll(countries: readonly string[]): Region[] {
  useRegionsOf(countries);
  return countries.flatMap((country) => known.get(country) ?? []);
}

/** A region's code by its code or its name; null for neither. */
export function regionByName(text: string, regions: readonly Region[]): string | null {
  const wanted = text.trim().toLowerCase();
  if (/^[a-z]{2}-[a-z0-9]{1,3}$/.test(wanted)) return wanted.toUpperCase();
  return regions.find(({ name }) => name.toLowerCase() === wanted)?.code ?? null;
}

/** Names of regions by their code, once their countries' are there; the code before. */
export function useRegionNames(codes: readonly string[]): (code: string) => string {
  useRegionsOf([...new Set(codes.map((code) => code.slice(0, 2)))]);
  return regionName;
}

function useRegionsOf(countries: readonly string[]): void {
  const [, again] = useState(0);
  const wanted = countries.join(' ');
  useEffect(() => {
    for (const country of wanted.split(' ')) {
      if (country === '' || known.has(country)) continue;
      void call('GET /api/regions', { query: { country } }).then((answer) => {
        if (!answer.ok) return;
        known.set(country, answer.body.regions);
        again((count) => count + 1);
      });
    }
  }, [wanted]);
}

const none: Region[] = [];

const regionName = (code: string): string =>
  known.get(code.slice(0, 2))?.find((region) => region.code === code)?.name ?? code;
