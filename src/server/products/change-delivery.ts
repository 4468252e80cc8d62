import { isDeepStrictEqual } from 'node:util';
import type { RowDataPacket } from 'mysql2/promise';
import { changedProduct, stateOf, type Product, type ProductDeliveryChange } from '../../core/catalogue/product.ts';
import { changingQuotes } from '../current-state.ts';
import { noteCatalogueChange } from './catalogue-revision.ts';
import { columns, detailsOf, productOf } from './product-store.ts';

/** Makes a change unless somebody else has made one to the same field; the product is as it stands afterwards. @returns null when there is none */
export async function changeProductDelivery(
  id: string,
  change: ProductDeliveryChange,
): Promise<{ product: Product; made: boolean } | null> {
  return changingQuotes(async (connection) => {
    const [rows] = await connection.query<RowDataPacket[]>(`SELECT ${columns} FROM product WHERE id = ? FOR UPDATE`, [
      id,
    ]);
    if (!rows[0]) return null;
    const product = productOf(rows[0]);
    if (!isDeepStrictEqual(stateOf(product, change), change.was)) return { product, made: false };
    const changed = changedProduct(product, change);
    await connection.query('UPDATE product SET details = ? WHERE id = ?', [detailsOf(changed), id]);
    await noteCatalogueChange(connection);
    return { product: changed, made: true };
  });
}
