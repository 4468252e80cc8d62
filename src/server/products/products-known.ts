import { catalogueOf, type Catalogue, type Product } from '../../core/catalogue/product.ts';
import type { Soon } from '../soon.ts';
import { listProducts, productsById, productsBySku } from './product-store.ts';

/** Products are kept by id and by SKU, so many names at most. */
const mostKept = 20_000;

let revision = -1;
let kept = new Map<string, Product>();

async function lookUp(names: readonly string[]): Promise<ReadonlyMap<string, Product>> {
  const found = new Map<string, Product>();
  for (const product of await productsById(names)) found.set(product.id, product);
  const others = names.filter((name) => !found.has(name));
  for (const product of await productsBySku(others)) found.set(product.sku, product);
  return found;
}

/**
 * Products by id, else by SKU; names of none are left out. What has been read stays as long as the catalogue is at the same
 * revision. @param now the catalogue's revision
 */
export function productsNamed(names: readonly string[], now: number): Soon<ReadonlyMap<string, Product>> {
  if (now !== revision) {
    revision = now;
    kept = new Map();
  }
  const known = kept;
  const missing = names.filter((name) => !known.has(name));
  return missing.length === 0 ? known : withRead(known, names, missing);
}

async function withRead(
  known: Map<string, Product>,
  names: readonly string[],
  missing: readonly string[],
): Promise<ReadonlyMap<string, Product>> {
  const read = await lookUp(missing);
  const found = new Map<string, Product>();
  for (const name of names) {
    const product = known.get(name) ?? read.get(name);
    if (!product) continue;
    found.set(name, product);
    if (known.size < mostKept) known.set(name, product);
  }
  return found;
}

/** The products among which those are looked for that close a gap: as many as are read at once. */
let whole: { revision: number; products: Promise<Catalogue> } | null = null;

/** All products. @param now the catalogue's revision, for which they are kept */
export function wholeCatalogue(now: number): Promise<Catalogue> {
  if (whole?.revision === now) return whole.products;
  const reading = { revision: now, products: listProducts().then(catalogueOf) };
  whole = reading;
  reading.products.catch(() => {
    if (whole === reading) whole = null;
  });
  return reading.products;
}
