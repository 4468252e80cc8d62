import type { TestProject } from 'vitest/node';
import { freshDatabase, startApplication, startTestDatabase } from '../support/application.ts';

declare module 'vitest' {
  interface ProvidedContext {
    address: string;
    databaseUrl: string;
    databaseServerUrl: string;
    emptyAddress: string;
  }
}

/** One application with the demo store for all server tests, on the tests' own database. */
export async function setup(project: TestProject): Promise<() => Promise<void>> {
  const database = await startTestDatabase('server');
  const url = await freshDatabase(database.url, 'summant_server');
  const application = await startApplication({ DATABASE_URL: url });
  const empty = await startApplication({ DATABASE_URL: await freshDatabase(database.url, 'summant_empty') }, [
    '--empty',
  ]);
  project.provide('address', application.address);
  project.provide('databaseUrl', url);
  project.provide('databaseServerUrl', database.url);
  project.provide('emptyAddress', empty.address);
  return async () => {
    await application.stop();
    await empty.stop();
    await database.stop();
  };
}
