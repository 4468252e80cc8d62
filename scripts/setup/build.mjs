import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { buildElement, buildShop } from './bundles.mjs';
import { say, Stop } from './say.mjs';

const sources = ['src', 'demo', 'shop', 'public', 'db', 'astro.config.mjs', 'package-lock.json', 'tsconfig.json'];

/** Builds when a source has changed since the last build; always for production, whoever asks. */
export function ensureBuilt(root) {
  const stamp = join(root, 'dist', '.built-from');
  const wanted = fingerprint(root);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  say('Building …');
  const result = spawnSync(process.execPath, [join(root, 'node_modules/astro/astro.js'), 'build', '--silent'], {
    cwd: root,
    encoding: 'utf8',
    env: { ...process.env, NODE_ENV: 'production', ASTRO_TELEMETRY_DISABLED: '1' },
  });
  if (result.status !== 0) throw new Stop(`The build failed:\n${(result.stdout + result.stderr).trim()}`);
  buildElement(root);
  buildShop(root);
  compress(join(root, 'dist', 'client'));
  writeFileSync(stamp, wanted);
}

function* filesUnder(path) {
  for (const entry of readdirSync(path, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
    const full = join(path, entry.name);
    if (entry.isDirectory()) yield* filesUnder(full);
    else yield full;
  }
}

function fingerprint(root) {
  const hash = createHash('sha256')
    .update(process.version)
    .update(readFileSync(new URL(import.meta.url)))
    .update(readFileSync(new URL('./bundles.mjs', import.meta.url)));
  for (const source of sources) {
    const path = join(root, source);
    if (!existsSync(path)) continue;
    const files = /\.\w+$/.test(source) ? [path] : filesUnder(path);
    for (const file of files)
      if (!/\.test\.tsx?$/.test(file)) hash.update(file.slice(root.length)).update(readFileSync(file));
  }
  return hash.digest('hex');
}

/** Compressed copies beside text files, so that they need not be compressed at each request. */
function compress(folder) {
  for (const file of [...filesUnder(folder)]) {
    if (!/\.(js|css|svg|json)$/.test(file)) continue;
    const content = readFileSync(file);
    if (content.length < 1024) continue;
    writeFileSync(`${file}.gz`, gzipSync(content, { level: 9 }));
    writeFileSync(`${file}.br`, brotliCompressSync(content, { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }));
  }
}
