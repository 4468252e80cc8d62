import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import { standInReceiver } from '../src/contract/stand-in-receiver.ts';
import { readReferenceRates } from '../src/core/imports/reference-rates.ts';
import { inTransaction } from '../src/server/database/pool.ts';
import { foundDraft } from '../src/server/draft/draft-store.ts';
import { addOrders } from '../src/server/orders/order-store.ts';
import { addProducts } from '../src/server/products/product-store.ts';
import { addPicture } from '../src/server/pictures/picture-store.ts';
import { insertReceiver } from '../src/server/receivers/receiver-store.ts';
import { insertRates } from '../src/server/rates/rate-store.ts';
import { addRelease } from '../src/server/releases/release-store.ts';
import { addToArm } from '../src/server/experiments/shoppers-counted.ts';
import { pastedMail, standInPages } from '../src/server/stand-ins/pages.ts';
import { rateFeedCsv } from '../src/server/stand-ins/rate-feed.ts';
import { writeReading } from '../src/server/surfaces/reading-store.ts';
import { generateOrders } from './generate-orders.ts';
import { demoPolicy } from './policy/demo-policy.ts';
import pictures from './pictures.json' with { type: 'json' };
import { finishedExperiment, runningExperiment } from './order-truth.ts';
import { demoProducts } from './products.ts';
import { demoReleases } from './releases.ts';

/** Two years of rates, as the simulated feed has them. */
async function addDemoRates(connection: PoolConnection): Promise<void> {
  const today = Math.floor(Date.now() / 86_400_000);
  await insertRates(connection, readReferenceRates(rateFeedCsv(today - 730, today)).rates, 'feed');
}

/** How many shoppers were quoted in the arms of its experiments. */
async function addShoppersCounted(connection: PoolConnection): Promise<void> {
  for (const { experiment, arms, shoppers } of [finishedExperiment, runningExperiment])
    for (const [place, arm] of arms.entries()) await addToArm(connection, experiment, arm, shoppers[place]!);
}

/** What the surfaces say, as it was read when the demo was made. */
async function addReadings(connection: PoolConnection): Promise<void> {
  for (const [id, { address }] of Object.entries(demoPolicy.surfaces ?? {})) {
    const page = address === undefined ? undefined : standInPages[address.split('/').at(-1)!];
    await writeReading(
      connection,
      id,
      page
        ? { content: page.content, format: 'html', source: 'fetched' }
        : { content: pastedMail, format: 'text', source: 'pasted' },
    );
  }
}

/**
 * Loads the demo store into an empty installation, with the releases of its past: all of it or, when something goes
 * wrong, nothing.
 * @returns false, having changed nothing, when there are products, orders or edits already
 */
export async function loadDemoStore(): Promise<boolean> {
  return inTransaction(async (connection) => {
    const [rows] = await connection.query<RowDataPacket[]>(
      'SELECT EXISTS(SELECT 1 FROM product) + EXISTS(SELECT 1 FROM past_order) AS filled',
    );
    if (Number(rows[0]?.filled) > 0) return false;
    const revision = await foundDraft(connection, demoPolicy, { label: 'Demo store loaded', by: 'demo' });
    if (revision === null) return false;
    await addProducts(connection, demoProducts);
    await addOrders(connection, generateOrders());
    await addDemoRates(connection);
    for (const bytes of Object.values(pictures)) await addPicture(connection, Buffer.from(bytes, 'base64'));
    await addReadings(connection);
    await addShoppersCounted(connection);
    for (const [index, { releasedAt, note, policy }] of demoReleases.entries()) {
      // Only the last is told to receivers: there were none before.
      if (index === demoReleases.length - 1) await insertReceiver(connection, standInReceiver, 'demo');
      await addRelease(connection, {
        reason: null,
        document: JSON.stringify(policy),
        revision,
        note,
        copyOf: null,
        releasedBy: 'demo',
        releasedAt,
      });
    }
    return true;
  });
}
