import type { AreaPart, Zone } from '../policy/types.ts';
import { placeRanks } from './specificity.ts';

/** Names of countries and regions in the reader's language. */
export interface PlaceNames {
  country: (code: string) => string;
  region: (code: string) => string;
}

/** A part of an area as a phrase: “the whole market”, “12 postcodes in Belgium”, “15 km around 53.1° N, 4.85° E”. */
function areaPartInWords(part: AreaPart, names: PlaceNames): string {
  switch (part.kind) {
    case 'wholeMarket':
      return 'the whole market';
    case 'country':
      return `all of ${names.country(part.country)}`;
    case 'region':
      return names.region(part.region);
    case 'postcodes': {
      const patterns = Object.keys(part.patterns);
      const few = patterns.length <= 3;
      return `${few ? `postcode${patterns.length === 1 ? '' : 's'} ${patterns.join(', ')}` : `${patterns.length} postcodes`} in ${names.country(part.country)}`;
    }
    case 'radius':
      return `${part.distance} ${part.unit} around ${degrees(part.center.latitude, 'N', 'S')}, ${degrees(part.center.longitude, 'E', 'W')}`;
  }
}

const degrees = (value: number, positive: string, negative: string) =>
  `${Math.abs(value)}° ${value < 0 ? negative : positive}`;

/** The whole area: what it takes in, and what it leaves out. */
export function areaInWords({ include, exclude }: Zone['area'], names: PlaceNames): string {
  const list = (parts: Readonly<Record<string, AreaPart>>) =>
    Object.values(parts)
      .map((part) => areaPartInWords(part, names))
      .join('; ');
  const without = exclude && Object.keys(exclude).length > 0 ? `, without ${list(exclude)}` : '';
  return `${list(include)}${without}`;
}

/** Codes of the regions an area names. */
export const regionsIn = ({ include, exclude }: Zone['area']): string[] =>
  [...Object.values(include), ...Object.values(exclude ?? {})].flatMap((part) =>
    part.kind === 'region' ? [part.region] : [],
  );

const kindWords: Record<AreaPart['kind'], string> = {
  postcodes: 'postcode',
  radius: 'distance',
  region: 'region',
  country: 'country',
  wholeMarket: 'whole market',
};

/** The most specific kind of place in an area: what it wins by against other zones. */
export function decidesByInWords({ include }: Zone['area']): string {
  const kinds = Object.values(include).map(({ kind }) => kind);
  return kindWords[kinds.reduce((best, kind) => (placeRanks[kind] > placeRanks[best] ? kind : best))];
}
