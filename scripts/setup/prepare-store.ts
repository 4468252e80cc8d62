// Migrates the database in DATABASE_URL and, with --demo, loads the demo store where nothing has been set yet. What the start is told
// goes to the third way out: the path of the link that makes the first account, null where there is one.
import { writeSync } from 'node:fs';
import { loadDemoStore } from '../../demo/load.ts';
import { firstLink } from '../../src/server/accounts/joining.ts';
import { providerSettings } from '../../src/server/accounts/provider/settings.ts';
import { migrate } from '../../src/server/database/migrate.ts';
import { sealStored } from '../../src/server/secrets/seal-stored.ts';
import { closeDatabase, database } from '../../src/server/database/pool.ts';
import { isUnavailable } from '../../src/server/database/unavailable.ts';

/** Several hosts of a database may be changing places just now. */
async function migrated(): Promise<string[]> {
  for (let tries = 1; ; tries++)
    try {
      return await migrate(database(), new URL('../../db/migrations/', import.meta.url));
    } catch (error) {
      if (!isUnavailable(error) || tries === 5) throw error;
      await new Promise((resolve) => setTimeout(resolve, 1000));
    }
}

try {
  // Said before anything is done.
  providerSettings(process.env);
  const applied = await migrated();
  if (applied.length > 0) console.log(`Database brought up to date: ${applied.join(', ')}.`);
  if (process.argv.includes('--demo') && (await loadDemoStore()))
    console.log('The demo store Gustmoor Kites is loaded.');
  await sealStored();
  writeSync(3, JSON.stringify({ firstLink: await firstLink() }));
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
} finally {
  await closeDatabase();
}
