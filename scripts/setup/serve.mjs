import { createServer } from 'node:http';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { modulePreloads } from './module-preloads.mjs';
import { Stop } from './say.mjs';

/**
 * Serves the build. @returns the address and a function that stops taking requests, finishes open ones and closes
 */
export async function serve(root, { host, port, lastPort }) {
  // Libraries look at it as they load: without it, views are drawn by React's slow development version.
  process.env.NODE_ENV = 'production';
  const { default: sirv } = await import('sirv');
  const { handler } = await import(pathToFileURL(join(root, 'dist/server/entry.mjs')).href);
  const files = sirv(join(root, 'dist/client'), {
    brotli: true,
    gzip: true,
    dotfiles: false,
    setHeaders: (response, path) => {
      response.setHeader('x-content-type-options', 'nosniff');
      response.setHeader('cache-control', path.startsWith('/_astro/') ? 'public, max-age=31536000, immutable' : 'public, max-age=3600');
    },
  });
  const preloads = modulePreloads(root);
  // An hour for a request's body: a file of a million orders may come over a slow line.
  const server = createServer({ requestTimeout: 3_600_000, headersTimeout: 10_000 }, (request, response) => {
    // A file of the build that has gone since the start, by a build beside a running server, ends that answer alone.
    response.on('pipe', (file) => file.on('error', () => response.destroy()));
    files(request, response, () => {
      const preload = preloads.get(request.url.split('?')[0]);
      if (preload) response.setHeader('link', preload);
      handler(request, response, (error) => {
        if (response.headersSent) return response.end();
        response.writeHead(error ? 500 : 404, { 'content-type': 'text/plain; charset=utf-8' });
        response.end(error ? 'Something went wrong here. Nothing was changed.' : 'There is no such page.');
      });
    });
  });
  const taken = await listen(server, host, port, lastPort);
  const shown = host.includes(':') ? `[${host}]` : host;
  return {
    address: `http://${shown}:${server.address().port}/`,
    taken,
    close: () =>
      new Promise((resolve) => {
        server.close(() => resolve());
        server.closeIdleConnections();
        setTimeout(() => server.closeAllConnections(), 3000).unref();
      }),
  };
}

/** Listens on the first free port from `port` to `lastPort`; returns those that were taken. */
async function listen(server, host, port, lastPort) {
  const taken = [];
  for (let candidate = port; candidate <= lastPort; candidate++) {
    const error = await new Promise((resolve) => {
      server.once('error', resolve);
      server.listen(candidate, host, () => {
        server.off('error', resolve);
        resolve(null);
      });
    });
    if (!error) return taken;
    if (error.code !== 'EADDRINUSE') throw new Stop(`Cannot listen on ${host}:${candidate}: ${error.message}`);
    taken.push(candidate);
  }
  throw new Stop(`Ports ${port} to ${lastPort} are all taken. Free one, or set PORT to another.`);
}
