// `npm run test:cluster`: nodes of a cluster and processes are killed while they are used.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { programFromDebian } from './setup/debian.mjs';
import { ensureNpmPackages } from './setup/npm-packages.mjs';

const root = fileURLToPath(new URL('..', import.meta.url)).replace(/\/$/, '');
ensureNpmPackages(root);
programFromDebian('mariadbd', ['mariadb-server']);
for (const args of [
  ['scripts/setup/ensure-built.mjs'],
  ['node_modules/vitest/vitest.mjs', 'run', '--project', 'cluster'],
]) {
  const { status } = spawnSync(
    process.execPath,
    args.map((arg, index) => (index === 0 ? join(root, arg) : arg)),
    {
      cwd: root,
      stdio: 'inherit',
    },
  );
  if (status !== 0) process.exit(status ?? 1);
}
