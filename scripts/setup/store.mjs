import { spawnSync } from 'node:child_process';
import { Stop } from './say.mjs';

/** Migrates, and loads the demo store if wanted. */
export function prepareStore(root, databaseUrl, { demo }) {
  const result = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'scripts/setup/prepare-store.ts', ...(demo ? ['--demo'] : [])],
    {
      cwd: root,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, DATABASE_URL: databaseUrl },
    },
  );
  if (result.status !== 0)
    throw new Stop('The database could not be prepared; the reason stands above. Nothing was removed.');
}
