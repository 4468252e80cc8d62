// Migrates the database in DATABASE_URL and, with --demo, loads the demo store where nothing has been set yet. What the start is told
// goes to the third way out: the path of the link that makes the first account, null where there is one.
import { writeSync } from 'node:fs';
import { loadDemoStore } from '../../demo/load.ts';
import { firstLink } from '../../src/server/accounts/joining.ts';
import { migrate } from '../../src/server/database/migrate.ts';
import { closeDatabase, database } from '../../src/server/database/pool.ts';

try {
  const applied = await migrate(database(), new URL('../../db/migrations/', import.meta.url));
  if (applied.length > 0) console.log(`Database brought up to date: ${applied.join(', ')}.`);
  if (process.argv.includes('--demo') && (await loadDemoStore()))
    console.log('The demo store Gustmoor Kites is loaded.');
  writeSync(3, JSON.stringify({ firstLink: await firstLink() }));
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
} finally {
  await closeDatabase();
}
