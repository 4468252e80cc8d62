import type { Product } from '../catalogue/product.ts';
import type { CompiledMarket, CompiledPolicy, CompiledZone } from '../evaluation/compile.ts';
import { findZone } from '../evaluation/find-zone.ts';
import { countryOfRegion } from '../geography/country.ts';
import { normalPostcode } from '../geography/postcode.ts';
import type { AreaPart, Destination, TestCart } from '../policy/types.ts';

/** What an example has in it. */
interface ExampleGoods {
  name: string;
  lines?: readonly { product: Product; quantity: number }[];
  codes?: readonly string[];
}

/** A guest’s cart that shows a finding, to be opened at Rehearse. */
export function exampleCart(
  { market }: CompiledMarket,
  destination: Destination,
  { name, lines = [], codes }: ExampleGoods,
): TestCart {
  return {
    order: 1,
    name: name.slice(0, 80),
    pinned: false,
    language: market.languages[0]!,
    destination,
    lines: Object.fromEntries(
      lines.map(({ product, quantity }, index) => [product.id, { order: index + 1, quantity }]),
    ),
    ...(codes ? { codes: [...codes] } : {}),
  };
}

/** Somewhere that a zone wins; null where none of the places that its area names is. */
export function somewhereIn(compiled: CompiledPolicy, zone: CompiledZone): Destination | null {
  const { countries } = zone.market.market;
  for (const part of Object.values(zone.zone.area.include)) {
    for (const destination of placesIn(part, countries)) {
      const found = findZone(compiled, destination, normalPostcode(destination.postcode));
      if (found.found && found.zone === zone) return destination;
    }
  }
  return null;
}

const mostPatterns = 50;

function placesIn(part: AreaPart, countries: readonly string[]): Destination[] {
  switch (part.kind) {
    case 'wholeMarket':
      return countries.map((country) => ({ country, postcode: '' }));
    case 'country':
      return [{ country: part.country, postcode: '' }];
    case 'region':
      return [{ country: countryOfRegion(part.region), region: part.region, postcode: '' }];
    case 'radius':
      return countries.map((country) => ({ country, coordinates: part.center, postcode: '' }));
    case 'postcodes':
      return Object.keys(part.patterns)
        .slice(0, mostPatterns)
        .map((text) => ({ country: part.country, postcode: postcodeIn(text) }));
  }
}

/** A postcode that a pattern covers: the first of a range; of a glob, with a 1 for every sign that may be any. */
const postcodeIn = (pattern: string): string => pattern.split('..')[0]!.replaceAll('*', '').replaceAll('?', '1').trim();
