import type { APIRoute } from 'astro';
import { isMigrated } from '../server/database/migrate.ts';
import { migrationNames } from '../server/database/migrations.ts';
import { database } from '../server/database/pool.ts';
import { answering, databaseAway, json, problemResponse } from '../server/http/problem.ts';

/** The database answers and its schema is the one this build needs. */
export const GET: APIRoute = () =>
  answering(async () => {
    let migrated: boolean;
    try {
      migrated = await isMigrated(database(), migrationNames);
    } catch {
      return problemResponse(databaseAway);
    }
    if (migrated) return json({ status: 'ok', database: 'ok', migrations: migrationNames.length });
    return problemResponse({
      status: 503,
      title: 'The database is not migrated',
      detail: 'Start Summant with `npm start`, which brings it up to date.',
    });
  });
