import { isMigrated } from '../server/database/migrate.ts';
import { migrationNames } from '../server/database/migrations.ts';
import { database } from '../server/database/pool.ts';
import { endpoint, reply } from '../server/http/endpoint.ts';
import { databaseAway } from '../server/http/problem.ts';

/** The database answers and its schema is the one this build needs. */
export const GET = endpoint('GET /readyz', async () => {
  let migrated: boolean;
  try {
    migrated = await isMigrated(database(), migrationNames);
  } catch {
    return databaseAway;
  }
  if (migrated) return reply({ status: 'ok', database: 'ok', migrations: migrationNames.length });
  return {
    status: 503,
    title: 'The database is not migrated',
    detail: 'Start Summant with `npm start`, which brings it up to date.',
  };
});
