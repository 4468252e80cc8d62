import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import type { Product } from '../../core/catalogue/product.ts';
import { reading } from '../database/pool.ts';
import { noteCatalogueChange } from './catalogue-revision.ts';

export const columns = 'id, sku, name, details';

/** What products had no notion of when they were written, as it held then. */
const unsaid = { taxClass: 'standard', preparationDays: 0, notTo: [] };

export function productOf(row: RowDataPacket): Product {
  const details = JSON.parse(String(row.details)) as Omit<Product, 'id' | 'sku' | 'name' | keyof typeof unsaid> &
    Partial<Pick<Product, keyof typeof unsaid>>;
  return { ...unsaid, ...details, id: String(row.id), sku: String(row.sku), name: String(row.name) };
}

/** All products, by SKU. @param limit bounds what is sent to a browser at once */
export async function listProducts(limit = 5000): Promise<Product[]> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(`SELECT ${columns} FROM product ORDER BY sku LIMIT ?`, [limit]);
    return rows.map(productOf);
  });
}

export async function productsById(ids: readonly string[]): Promise<Product[]> {
  return productsBy('id', ids);
}

export async function productsBySku(skus: readonly string[]): Promise<Product[]> {
  return productsBy('sku', skus);
}

async function productsBy(column: 'id' | 'sku', values: readonly string[]): Promise<Product[]> {
  if (values.length === 0) return [];
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(`SELECT ${columns} FROM product WHERE ${column} IN (?)`, [values]);
    return rows.map(productOf);
  });
}

/** What is kept of a product besides its columns, as text. */
export function detailsOf({ id: _, sku: __, name: ___, ...details }: Product): string {
  return JSON.stringify(details);
}

export async function addProducts(connection: PoolConnection, products: readonly Product[]): Promise<void> {
  const rows = products.map((product) => [product.id, product.sku, product.name, detailsOf(product)]);
  await connection.query('INSERT INTO product (id, sku, name, details) VALUES ?', [rows]);
  await noteCatalogueChange(connection);
}
