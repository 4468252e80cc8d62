// Takes the pictures of docs/screenshots from the demo data, on a database of its own; those that are named, or all.
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { ensureNpmPackages } from './setup/npm-packages.mjs';

const root = fileURLToPath(new URL('..', import.meta.url)).replace(/\/$/, '');
ensureNpmPackages(root);
process.exitCode =
  spawnSync(process.execPath, ['--import', 'tsx', 'scripts/screenshots/take.ts', ...process.argv.slice(2)], {
    cwd: root,
    stdio: 'inherit',
  }).status ?? 1;
