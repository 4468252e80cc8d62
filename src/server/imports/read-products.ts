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
  const ids = await allIds();
  return {
    row: async (fields, line) => {
      const read = rows.read(fields, line);
      if (!read.ok) return sink.rejected(read.fault);
      const column = run.heading[run.mapping.columns.sku!] ?? '';
      const before = seen.lineBefore(read.product.sku, line);
      if (before > 0) return sink.rejected({ line, column, reason: `stands on line ${before} already`, number: null });
      const [known = null] = await productsBySku([read.product.sku]);
      let id = known?.id ?? productIdOf(read.product.sku);
      for (let next = 2; !known && ids.has(id); next++) id = `${productIdOf(read.product.sku).slice(0, 34)}-${next}`;
      ids.add(id);
      const product = afterRow(known, read.product, id);
      const outcome =
        known === null
          ? 'fresh'
          : detailsOf(known) === detailsOf(product) && known.name === product.name
            ? 'same'
            : 'changed';
      sink.staged(
        `${line}\t0\t\t${cell(id)}\t${cell(product.sku)}\t${cell(product.name)}\t${cell(detailsOf(product))}\t${outcome}\n`,
      );
    },
    end: () => {},
    rounded: () => 0,
  };
}

function detailsOf({ id: _id, sku: _sku, name: _name, ...details }: Product): string {
  return JSON.stringify(Object.fromEntries(Object.entries(details).sort(([a], [b]) => (a < b ? -1 : 1))));
}

async function allIds(): Promise<Set<string>> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>('SELECT id FROM product');
    return new Set(rows.map((row) => String(row.id)));
  });
}
