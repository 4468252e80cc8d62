import { createHash } from 'node:crypto';
import { mkdirSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';

/** Only asked for once packages are installed. */
const buildSync = (options) => createRequire(import.meta.url)('esbuild').buildSync(options);

/**
 * Builds the element that shops put into their pages into one file, under an address that tells its version, and says beside it
 * what a page needs to load it: the address, and by which hash it is told from any other file.
 */
export function buildElement(root) {
  const { outputFiles } = buildSync({
    entryPoints: [join(root, 'src/element/summant-offer.ts')],
    bundle: true,
    minify: true,
    format: 'esm',
    target: 'es2022',
    write: false,
  });
  const [file] = outputFiles;
  const version = createHash('sha256').update(file.contents).digest('hex').slice(0, 12);
  const integrity = `sha384-${createHash('sha384').update(file.contents).digest('base64')}`;
  const folder = join(root, 'dist/client/element');
  mkdirSync(join(folder, version), { recursive: true });
  writeFileSync(join(folder, version, 'summant-offer.js'), file.contents);
  writeFileSync(
    join(folder, 'current.json'),
    JSON.stringify({ path: `/element/${version}/summant-offer.js`, integrity }),
  );
}

/** The demo shop's server as one file, with which Node needs no help. */
export function buildShop(root) {
  buildSync({
    entryPoints: [join(root, 'shop/server.ts')],
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    outfile: join(root, 'dist/shop/server.mjs'),
  });
}
