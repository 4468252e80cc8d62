// Makes the keys with which the demo shop calls Summant, in place of those of its last start, and writes them as JSON: null
// where the store has none of its goods. The origin of its pages is the first argument.
import { demoProducts } from '../../demo/products.ts';
import { makeKey, retireKeysOf } from '../../src/server/access/keys.ts';
import { closeDatabase } from '../../src/server/database/pool.ts';
import { productsById } from '../../src/server/products/product-store.ts';

const shop = { name: 'Demo shop', madeBy: 'npm start' };

async function keysFor(origin: string): Promise<{ publishable: string; secret: string }> {
  const publishable = await makeKey({ ...shop, kind: 'publishable', origins: [origin] });
  const secret = await makeKey({ ...shop, kind: 'secret', origins: [] });
  if (!publishable || !secret) throw new Error('There are too many keys for the demo shop to get its own.');
  return { publishable: publishable.token, secret: secret.token };
}

try {
  const origin = process.argv[2]!;
  await retireKeysOf(shop);
  const sold = await productsById(demoProducts.map(({ id }) => id));
  console.log(JSON.stringify(sold.length > 0 ? await keysFor(origin) : null));
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
} finally {
  await closeDatabase();
}
