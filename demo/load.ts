import type { RowDataPacket } from 'mysql2/promise';
import { inTransaction } from '../src/server/database/pool.ts';
import { readDraft, replaceDraft } from '../src/server/draft/draft-store.ts';
import { addOrders } from '../src/server/orders/order-store.ts';
import { addProducts } from '../src/server/products/product-store.ts';
import { releaseDraft } from '../src/server/releases/release-store.ts';
import { generateOrders } from './generate-orders.ts';
import { demoPolicy } from './policy.ts';
import { demoProducts } from './products.ts';

/**
 * Loads the demo store into an empty installation, with its policy as release 1.
 * @returns false, having changed nothing, when there are products, orders or edits already
 */
export async function loadDemoStore(): Promise<boolean> {
  const draft = await readDraft();
  if (draft.revision > 0) return false;
  const orders = generateOrders();
  const added = await inTransaction(async (connection) => {
    const [rows] = await connection.query<RowDataPacket[]>('SELECT EXISTS(SELECT 1 FROM product) + EXISTS(SELECT 1 FROM past_order) AS filled FOR UPDATE');
    if (Number(rows[0]?.filled) > 0) return false;
    await addProducts(connection, demoProducts);
    await addOrders(connection, orders);
    return true;
  });
  if (!added) return false;
  const outcome = await replaceDraft(demoPolicy, { label: 'Demo store loaded', madeBy: 'demo' });
  if (outcome.kind === 'refused') throw new Error(`the demo policy is not valid: ${JSON.stringify(outcome.faults)}`);
  if (outcome.kind === 'done') await releaseDraft(outcome.draft.revision, 'The demo store as it comes', 'demo');
  return true;
}
