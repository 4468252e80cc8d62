import type { TestProject } from 'vitest/node';
import { freshDatabase, startApplication, startTestDatabase } from '../support/application.ts';
import type { ServerOfWorker } from '../support/server-here.ts';
import { workers as count } from '../support/workers.ts';

declare module 'vitest' {
  interface ProvidedContext {
    databaseServerUrl: string;
  }
}

/** For each worker of the server tests: an application with the demo store and an empty one, on the tests' own database server. */
export async function setup(project: TestProject): Promise<() => Promise<void>> {
  const database = await startTestDatabase('server');
  const stopping: (() => Promise<unknown>)[] = [];
  const start = async (databaseUrl: string, options: string[] = []): Promise<string> => {
    const application = await startApplication({ DATABASE_URL: databaseUrl, SUMMANT_RATE_PUBLISHABLE: '600' }, options);
    stopping.push(application.stop);
    return application.address;
  };
  const workers: ServerOfWorker[] = [];
  for (let worker = 1; worker <= count; worker++) {
    const databaseUrl = await freshDatabase(database.url, `summant_server_${worker}`);
    const emptyUrl = await freshDatabase(database.url, `summant_empty_${worker}`);
    workers.push({ address: await start(databaseUrl), databaseUrl, emptyAddress: await start(emptyUrl, ['--empty']) });
  }
  project.provide('serverWorkers', workers);
  project.provide('databaseServerUrl', database.url);
  return async () => {
    for (const stop of stopping) await stop();
    await database.stop();
  };
}
