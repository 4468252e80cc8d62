import type { TestProject } from 'vitest/node';
import { programFromDebian } from '../../scripts/setup/debian.mjs';
import { freshDatabase, startApplication, startTestDatabase } from '../support/application.ts';
import type { Servers } from '../support/here.ts';
import { workers as count } from '../support/workers.ts';

declare module 'vitest' {
  interface ProvidedContext {
    chromium: string;
  }
}

/** For each worker of the browser tests: an application with the demo store, an empty one, and one to be filled by tests. */
export async function setup(project: TestProject): Promise<() => Promise<void>> {
  const chromium = programFromDebian('chromium', ['chromium', 'fonts-liberation']);
  const database = await startTestDatabase('browser');
  const stopping: (() => Promise<unknown>)[] = [];
  const begin = async (name: string, options: string[] = [], environment: Record<string, string> = {}) => {
    const DATABASE_URL = await freshDatabase(database.url, name);
    const application = await startApplication({ DATABASE_URL, ...environment }, options);
    stopping.push(application.stop);
    return application;
  };
  const start = async (name: string, options: string[] = []) => (await begin(name, options)).address;
  const workers: Servers[] = [];
  for (let worker = 1; worker <= count; worker++) {
    const demo = await begin(`summant_browser_${worker}`, [], { SUMMANT_SHOP_PORT: '0' });
    workers.push({
      address: demo.address,
      shopAddress: await demo.shop(),
      emptyAddress: await start(`summant_empty_${worker}`, ['--empty']),
      blankAddress: await start(`summant_blank_${worker}`, ['--empty']),
    });
  }
  project.provide('chromium', chromium);
  project.provide('workers', workers);
  project.provide('databaseServerUrl', database.url);
  return async () => {
    for (const stop of stopping) await stop();
    await database.stop();
  };
}
