import { spawnSync } from 'node:child_process';
import { Stop } from './say.mjs';

/** Migrates, and loads the demo store if wanted. @returns the path of the link that makes the first account; null where there is one */
export function prepareStore(root, databaseUrl, { demo }) {
  const result = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'scripts/setup/prepare-store.ts', ...(demo ? ['--demo'] : [])],
    {
      cwd: root,
      stdio: ['ignore', 'inherit', 'inherit', 'pipe'],
      env: { ...process.env, DATABASE_URL: databaseUrl },
    },
  );
  if (result.status !== 0)
    throw new Stop('The database could not be prepared; the reason stands above. Nothing was removed.');
  return JSON.parse(result.output[3].toString()).firstLink;
}
