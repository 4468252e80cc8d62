import { useEffect } from 'react';
import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import { call } from '../../client/http.ts';

export interface Region {
  code: string;
  name: string;
}

/** By country, as far as they have been asked for. */
const known = createStore<ReadonlyMap<string, Region[]>>(() => new Map());
const asked = new Set<string>();
/** Until regions that could not be read are asked for again by whoever needs them then. ms */
const pause = 5000;

async function ask(country: string): Promise<void> {
  if (asked.has(country)) return;
  asked.add(country);
  const answer = await call('GET /api/regions', { query: { country } });
  if (answer.ok) known.setState(new Map(known.getState()).set(country, answer.body.regions), true);
  else setTimeout(() => asked.delete(country), pause);
}

/** Regions of a country by ISO 3166-2, once they are there; empty before. */
export function useRegions(country: string | null): Region[] {
  return useKnown(country ? [country] : []).get(country ?? '') ?? none;
}

/** Regions of several countries, once they are there. */
export function useRegionsOfAll(countries: readonly string[]): Region[] {
  const regions = useKnown(countries);
  return countries.flatMap((country) => regions.get(country) ?? []);
}

/** Names of regions by their code, once their countries' are there; the code before. */
export function useRegionNames(codes: readonly string[]): (code: string) => string {
  const regions = useKnown(codes.map(countryOf));
  return (code) => regions.get(countryOf(code))?.find((region) => region.code === code)?.name ?? code;
}

/** The country of a region's code. */
const countryOf = (code: string): string => code.slice(0, 2);

function useKnown(countries: readonly string[]): ReadonlyMap<string, Region[]> {
  const regions = useStore(known);
  // At each drawing: what has been asked for is not asked for again.
  useEffect(() => {
    for (const country of countries) if (country !== '') void ask(country);
  });
  return regions;
}

const none: Region[] = [];
