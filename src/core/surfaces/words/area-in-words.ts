import type { AreaPart, Zone } from '../../policy/types.ts';
import { pointInWords, postcodeList } from './condition-in-words.ts';
import type { SurfaceWriter } from './surface-writer.ts';

/** Countries that a market sells to, as its shoppers read them. */
export function countriesInWords(writer: SurfaceWriter): string {
  const { countries, elsewhere } = writer.market;
  return writer.list([
    ...countries.map((code) => writer.country(code)),
    ...(elsewhere ? [writer.say('otherCountries')] : []),
  ]);
}

/** An area as its shoppers read it. @param regionName of an ISO 3166-2 code */
export function areaInWords(
  { include, exclude = {} }: Zone['area'],
  writer: SurfaceWriter,
  regionName: (code: string) => string,
): string {
  const list = (parts: Readonly<Record<string, AreaPart>>) =>
    Object.values(parts)
      .map((part) => partInWords(part, writer, regionName))
      .join('; ');
  const places = list(include);
  return Object.keys(exclude).length > 0 ? writer.say('except', { places, others: list(exclude) }) : places;
}

function partInWords(part: AreaPart, writer: SurfaceWriter, regionName: (code: string) => string): string {
  switch (part.kind) {
    case 'wholeMarket':
      return countriesInWords(writer);
    case 'country':
      return writer.country(part.country);
    case 'region':
      return regionName(part.region);
    case 'postcodes':
      return writer.say('postcodes', {
        country: writer.country(part.country),
        postcodes: postcodeList(Object.keys(part.patterns), writer),
      });
    case 'radius':
      return writer.say('around', {
        distance: writer.distance(part.distance, part.unit),
        point: pointInWords(part.center, writer),
      });
  }
}
