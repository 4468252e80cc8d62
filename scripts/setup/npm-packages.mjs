import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { say, Stop } from './say.mjs';

/** Installs npm packages when they are missing or package-lock.json has changed since. */
export function ensureNpmPackages(root) {
  const stamp = join(root, 'node_modules', '.installed-for');
  const wanted = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  say('Installing npm packages …');
  const result = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (result.status !== 0)
    throw new Stop('npm ci did not succeed; what it said stands above. Nothing of your data was touched.');
  writeFileSync(stamp, wanted);
}
