import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Stop } from './say.mjs';
import { listen } from './serve.mjs';

/**
 * Serves the demo shop beside Summant, with keys of its own that are made anew each time.
 *
 * @returns its address and what closes it; null: the store is not the demo's, so that the shop has nothing to sell
 */
export async function openShop(root, { summant, port, lastPort }) {
  let handle = (_, response) => response.writeHead(503, { 'retry-after': '1' }).end();
  const server = createServer({ requestTimeout: 20_000, headersTimeout: 10_000 }, (request, response) =>
    handle(request, response),
  );
  server.maxConnections = 500;
  await listen(server, '127.0.0.1', port, lastPort);
  const close = () =>
    new Promise((resolve) => {
      server.close(() => resolve());
      server.closeAllConnections();
    });
  const address = `http://127.0.0.1:${server.address().port}`;
  const keys = keysFor(root, address);
  if (!keys) {
    await close();
    return null;
  }
  const { shopHandler, Summant } = await import(pathToFileURL(join(root, 'dist/shop/server.mjs')).href);
  const file = (name) => readFileSync(join(root, 'shop/public', name), 'utf8');
  const element = JSON.parse(readFileSync(join(root, 'dist/client/element/current.json'), 'utf8'));
  const filled = { SUMMANT: summant, ELEMENT: element.path, INTEGRITY: element.integrity, KEY: keys.publishable };
  const gallery = readFileSync(join(root, 'docs/gallery.html'), 'utf8').replace(
    /%([A-Z]+)%/g,
    (_, name) => filled[name],
  );
  handle = shopHandler(
    { summant: new Summant(summant, keys.secret), publishable: keys.publishable, element },
    new Map([
      ...['shop.css', 'gallery.css'].map((name) => [`/${name}`, ['text/css; charset=utf-8', file(name)]]),
      ...['shop.js', 'gallery.js'].map((name) => [`/${name}`, ['text/javascript; charset=utf-8', file(name)]]),
      ['/gallery', ['text/html; charset=utf-8', gallery]],
    ]),
  );
  return { address: `${address}/`, close };
}

function keysFor(root, origin) {
  const made = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/setup/shop-keys.ts', origin], {
    cwd: root,
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  if (made.status !== 0) throw new Stop('The demo shop could not be given its keys; the reason stands above.');
  return JSON.parse(made.stdout);
}
