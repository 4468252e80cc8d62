// `npm run backup -- FILE` and `npm run restore -- FILE`: of the database in DATABASE_URL, or of the one that `npm start` keeps.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { programFromDebian } from './setup/debian.mjs';
import { ensureNpmPackages } from './setup/npm-packages.mjs';
import { startPrivateDatabase } from './setup/private-database.mjs';
import { Stop } from './setup/say.mjs';

const root = fileURLToPath(new URL('..', import.meta.url)).replace(/\/$/, '');
const from = process.env.INIT_CWD ?? process.cwd();
const [what, file, ...options] = process.argv.slice(2);
const uses = {
  backup: 'npm run backup -- FILE.sql.gz',
  restore: 'npm run restore -- FILE.sql.gz [--into=DATABASE] [--replace]',
};
let database = null;
try {
  if (!file || file.startsWith('--')) throw new Stop(`Which file? ${uses[what]}`);
  ensureNpmPackages(root);
  programFromDebian('mariadb-dump', ['mariadb-client']);
  const folder = join(process.env.SUMMANT_DATA ?? join(root, '.data'), 'database');
  if (!process.env.DATABASE_URL && what === 'backup' && !existsSync(folder))
    throw new Stop(`There is no database in ${folder}. DATABASE_URL names another.`);
  if (!process.env.DATABASE_URL) database = await startPrivateDatabase(folder);
  const { status } = spawnSync(
    process.execPath,
    ['--import', 'tsx', join(root, `scripts/backup/${what}.ts`), resolve(from, file), ...options],
    { cwd: root, stdio: 'inherit', env: { ...process.env, DATABASE_URL: process.env.DATABASE_URL || database.url } },
  );
  process.exitCode = status ?? 1;
} catch (error) {
  process.stderr.write(`${error instanceof Stop ? error.message : error.stack}\n`);
  process.exitCode = 1;
} finally {
  await database?.stop();
}
