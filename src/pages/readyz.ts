import { isMigrated } from '../server/database/migrate.ts';
import { migrationNames } from '../server/database/migrations.ts';
import { database } from '../server/database/pool.ts';
import { endpoint, reply } from '../server/http/endpoint.ts';
import { databaseAway } from '../server/http/problem.ts';
import { log } from '../server/log.ts';
import { currentPolicy } from '../server/quote/current-policy.ts';
// Whoever is ready can quote: what the call of the shop needs comes with it.
import './api/quote.ts';

/** The database answers, its schema is the one this build needs, and the release that the shop uses is compiled. */
export const GET = endpoint('GET /readyz', async () => {
  let migrated: boolean;
  try {
    migrated = await isMigrated(database(), migrationNames);
  } catch {
    return databaseAway;
  }
  if (migrated) await compiled();
  if (migrated) return reply({ status: 'ok', database: 'ok', migrations: migrationNames.length });
  return {
    status: 503,
    title: 'The database is not migrated',
    detail: 'Start Summant with `npm start`, which brings it up to date.',
  };
});

/** A release that cannot be read leaves all else as it is: quotes say so. */
const compiled = async (): Promise<void> => {
  try {
    await currentPolicy();
  } catch (error) {
    log.warn({ err: error instanceof Error ? error.message : String(error) }, 'the release is not ready');
  }
};
