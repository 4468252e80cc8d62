import type { Product } from '../catalogue/product.ts';
import type { CompiledMarket, CompiledPolicy, CompiledZone } from '../evaluation/compile.ts';
import { findZone } from '../evaluation/find-zone.ts';
import { placesNamed } from '../geography/places-named.ts';
import { normalPostcode } from '../geography/postcode.ts';
import type { Destination, TestCart } from '../policy/types.ts';

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
    for (const destination of placesNamed(part, countries)) {
      const found = findZone(compiled, destination, normalPostcode(destination.postcode));
      if (found.found && found.zone === zone) return destination;
    }
  }
  return null;
}
