import type { RowDataPacket } from 'mysql2/promise';
import type { Product } from '../../core/catalogue/product.ts';
import { afterRow, productIdOf, ProductRows } from '../../core/imports/product-rows.ts';
import { SeenNumbers } from '../../core/imports/seen-numbers.ts';
import type { Policy } from '../../core/policy/types.ts';
import { reading } from '../database/pool.ts';
import { productsBySku } from '../products/product-store.ts';
import type { FullImportRun } from './import-store.ts';
import type { RowReader, RowSink } from './read-orders.ts';
import { cell } from './staging.ts';

/** Reads the rows of a product file; each is laid over the product as it is. */
export async function productReader(run: FullImportRun, policy: Policy, sink: RowSink): Promise<RowReader> {
  const rows = new ProductRows(policy, run.mapping, run.heading);
  const seen = new SeenNumbers();
  let read = new Map<number, ReturnType<ProductRows['read']>>();
  let known = new Map<string, Product>();
  const ids = new Set<string>();
  return {
    async ahead(some) {
      read = new Map(some.map(([fields, line]) => [line, rows.read(fields, line)]));
      const skus = [...read.values()].flatMap((one) => (one.ok ? [one.product.sku] : []));
      known = new Map((await productsBySku(skus)).map((product) => [product.sku, product]));
      for (const id of await idsTaken(skus.filter((sku) => !known.has(sku)).map(productIdOf), ids)) ids.add(id);
    },
    row(_, line) {
      const one = read.get(line)!;
      if (!one.ok) return sink.rejected(one.fault);
      const { sku } = one.product;
      const column = run.heading[run.mapping.columns.sku!] ?? '';
      const before = seen.lineBefore(sku, line);
      if (before > 0) return sink.rejected({ line, column, reason: `stands on line ${before} already`, number: null });
      const was = known.get(sku) ?? null;
      const id = was?.id ?? freeId(productIdOf(sku), ids);
      ids.add(id);
      const product = afterRow(was, one.product, id);
      sink.staged(
        `${line}\t0\t\t${cell(id)}\t${cell(product.sku)}\t${cell(product.name)}\t${cell(detailsOf(product))}\t${outcomeOf(was, product)}\n`,
      );
    },
    end: () => {},
    rounded: () => 0,
  };
}

function detailsOf({ id: _id, sku: _sku, name: _name, ...details }: Product): string {
  return JSON.stringify(Object.fromEntries(Object.entries(details).sort(([a], [b]) => (a < b ? -1 : 1))));
}

/** What an import does to a product. */
function outcomeOf(was: Product | null, product: Product): 'fresh' | 'same' | 'changed' {
  if (was === null) return 'fresh';
  return detailsOf(was) === detailsOf(product) && was.name === product.name ? 'same' : 'changed';
}

/** What stands before a number that makes an id its own. */
const numbered = (id: string): string => `${id.slice(0, 34)}-`;

function freeId(wanted: string, taken: ReadonlySet<string>): string {
  let id = wanted;
  for (let next = 2; taken.has(id); next++) id = `${numbered(wanted)}${next}`;
  return id;
}

/**
 * Of the ids wanted those that are taken; and the numbered ones beside every id that will have to be numbered: it is taken, was
 * given out before by the same import, or is wanted twice.
 */
async function idsTaken(wanted: readonly string[], given: ReadonlySet<string>): Promise<string[]> {
  if (wanted.length === 0) return [];
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>('SELECT id FROM product WHERE id IN (?)', [wanted]);
    const taken = rows.map((row) => String(row.id));
    const twice = wanted.filter((id, index) => given.has(id) || wanted.indexOf(id) !== index);
    for (const id of new Set([...taken, ...twice])) {
      // Ids are letters, digits and hyphens: nothing in them is a pattern.
      const [beside] = await pool.query<RowDataPacket[]>('SELECT id FROM product WHERE id LIKE ?', [
        `${numbered(id)}%`,
      ]);
      taken.push(...beside.map((row) => String(row.id)));
    }
    return taken;
  });
}
