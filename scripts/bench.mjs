// `npm run bench` runs every bar, `npm run bench NAME` one script's. A line a bar; exit 1 if any is short.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureNpmPackages } from './setup/npm-packages.mjs';

const root = fileURLToPath(new URL('..', import.meta.url)).replace(/\/$/, '');
ensureNpmPackages(root);
const { status } = spawnSync(
  process.execPath,
  ['--import', 'tsx', join(root, 'scripts/bench/run.ts'), ...process.argv.slice(2)],
  { cwd: root, stdio: 'inherit' },
);
process.exitCode = status ?? 1;
