import type { Product } from '../catalogue/product.ts';
import type { CompiledMarket } from '../evaluation/compile.ts';
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
