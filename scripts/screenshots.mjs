// Takes the pictures of docs/screenshots from the demo data, on a database of its own.
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { ensureNpmPackages } from './setup/npm-packages.mjs';

const root = fileURLToPath(new URL('..', import.meta.url)).replace(/\/$/, '');
ensureNpmPackages(root);
process.exitCode =
  spawnSync(process.execPath, ['--import', 'tsx', 'scripts/screenshots/take.ts'], { cwd: root, stdio: 'inherit' })
    .status ?? 1;
