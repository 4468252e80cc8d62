import type { TestProject } from 'vitest/node';
import { programFromDebian } from '../../scripts/setup/debian.mjs';
import { freshDatabase, startApplication, startTestDatabase } from '../support/application.ts';

declare module 'vitest' {
  interface ProvidedContext {
    chromium: string;
    /** an empty store that tests may fill and empty again */
    blankAddress: string;
  }
}

/** One application with the demo store and an empty one, for all browser tests. */
export async function setup(project: TestProject): Promise<() => Promise<void>> {
  const chromium = programFromDebian('chromium', ['chromium', 'fonts-liberation']);
  const database = await startTestDatabase('browser');
  const application = await startApplication({ DATABASE_URL: await freshDatabase(database.url, 'summant_browser') });
  const empty = await startApplication({ DATABASE_URL: await freshDatabase(database.url, 'summant_empty') }, [
    '--empty',
  ]);
  const blank = await startApplication({ DATABASE_URL: await freshDatabase(database.url, 'summant_blank') }, [
    '--empty',
  ]);
  project.provide('chromium', chromium);
  project.provide('address', application.address);
  project.provide('emptyAddress', empty.address);
  project.provide('blankAddress', blank.address);
  return async () => {
    await application.stop();
    await empty.stop();
    await blank.stop();
    await database.stop();
  };
}
