import { randomUUID } from 'node:crypto';
import { createServer } from 'node:http';
import { join } from 'node:path';
import { isIP } from 'node:net';
import { pathToFileURL } from 'node:url';
import { modulePreloads } from './module-preloads.mjs';
import { Stop } from './say.mjs';

const methods = new Set(['GET', 'HEAD', 'OPTIONS', 'POST', 'PUT', 'PATCH', 'DELETE']);
/** How long a connection may lie still. ms */
const idle = 60_000;
const mostConnections = 1000;
/** From one address, that is neither this machine nor a proxy that is trusted: a browser has six. */
const mostFromOne = 256;
/** What is being answered on which connection. */
const underWay = new WeakMap();

/**
 * Serves the build. @returns the address and a function that stops taking requests, finishes open ones and closes
 */
export async function serve(root, { host, port, lastPort }) {
  // Libraries look at it as they load: without it, views are drawn by React's slow development version.
  process.env.NODE_ENV = 'production';
  process.setSourceMapsEnabled(true);
  const { default: proxyAddress } = await import('proxy-addr');
  const isProxy = trustedProxies(proxyAddress, process.env.SUMMANT_TRUSTED_PROXIES ?? '');
  process.env.SUMMANT_ELEMENT ??= join(root, 'dist/client/element');
  process.env.SUMMANT_ADDRESSES ??= join(root, 'stand-ins/addresses.csv');
  const { default: sirv } = await import('sirv');
  const { handler } = await import(pathToFileURL(join(root, 'dist/server/entry.mjs')).href);
  const files = sirv(join(root, 'dist/client'), {
    brotli: true,
    gzip: true,
    dotfiles: false,
    setHeaders: (response, path) => {
      response.setHeader('x-content-type-options', 'nosniff');
      // The element is for the pages of shops, which are of other origins.
      const element = path.startsWith('/element/');
      response.setHeader('cross-origin-resource-policy', element ? 'cross-origin' : 'same-origin');
      if (element) response.setHeader('access-control-allow-origin', '*');
      response.setHeader(
        'content-security-policy',
        path.endsWith('.html') ? "default-src 'none'" : "default-src 'self'; connect-src 'self'",
      );
      response.setHeader(
        'cache-control',
        /^\/(_astro|element\/\w{12})\//.test(path) ? 'public, max-age=31536000, immutable' : 'public, max-age=3600',
      );
    },
  });
  const preloads = modulePreloads(root);
  /** What is turned away before it is read: said by the application, whose door it is, with its first request. */
  const door = { turnAway: () => null };
  // An hour for a request's body: a file of a million orders may come over a slow line.
  const server = createServer(
    { requestTimeout: 3_600_000, headersTimeout: 10_000, keepAliveTimeout: 5000 },
    (request, response) => {
      underWay.set(request.socket, { request, response });
      if (isOverTls(request, isProxy)) response.setHeader('strict-transport-security', 'max-age=31536000');
      const requestId = requestIdOf(request, isProxy);
      response.setHeader('x-request-id', requestId);
      response.once('close', () => underWay.delete(request.socket));
      if (!methods.has(request.method)) {
        response.writeHead(405, {
          allow: [...methods].join(', '),
          'content-type': 'text/plain; charset=utf-8',
          'content-security-policy': "default-src 'none'",
        });
        return response.end('There is no such method. Nothing was changed.');
      }
      const away = door.turnAway(request.method, request.url, () => clientOf(proxyAddress, request, isProxy));
      if (away) return response.writeHead(away.status, away.headers).end(away.body);
      // A file of the build that has gone since the start, by a build beside a running server, ends that answer alone.
      response.on('pipe', (file) => file.on('error', () => response.destroy()));
      files(request, response, () => {
        const preload = preloads.get(request.url.split('?')[0]);
        if (preload) response.setHeader('link', preload);
        const missed = (error) => {
          if (response.headersSent) return response.destroy();
          response.writeHead(error ? 500 : 404, { 'content-type': 'text/plain; charset=utf-8' });
          response.end(error ? 'Something went wrong here. Nothing was changed.' : 'There is no such page.');
        };
        handler(request, response, missed, {
          client: () => clientOf(proxyAddress, request, isProxy),
          isLocal: () => isLocal(request),
          door,
          requestId,
        });
      });
    },
  );
  server.maxConnections = mostConnections;
  limitEach(server, (address) => isLoopback(address) || isProxy(address, 0));
  // Nothing has moved on a connection for a while: a body that no longer comes, or an answer that nobody reads. Whoever waits
  // for an answer that is still being worked out keeps waiting.
  server.setTimeout(idle, (socket) => {
    const open = underWay.get(socket);
    if (!open || !open.request.complete || open.response.headersSent) socket.destroy();
  });
  await warmUp((request, response) => handler(request, response, () => response.destroy(), { door }));
  const taken = await listen(server, host, port, lastPort);
  const shown = inAddress(host);
  // A server that listens everywhere is reached here by the loopback address of its family.
  const loopback = { '0.0.0.0': '127.0.0.1', '::': '::1' }[host];
  process.env.SUMMANT_OWN_ADDRESS = `http://${inAddress(loopback ?? host)}:${server.address().port}`;
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

/**
 * Has what quotes need loaded and the release compiled before anybody can ask, which takes a second or more: until then a
 * proxy asks the other process. A database that is away is waited for for half a minute, and then told to whoever asks.
 */
async function warmUp(answer) {
  const server = createServer(answer);
  await listen(server, '127.0.0.1', 0, 0);
  const until = Date.now() + 30_000;
  while (!(await isReady(server.address().port, until)) && Date.now() < until)
    await new Promise((resolve) => setTimeout(resolve, 200));
  server.close();
  server.closeAllConnections();
}

async function isReady(port, until) {
  try {
    const signal = AbortSignal.timeout(Math.max(1, until - Date.now()));
    const answer = await fetch(`http://127.0.0.1:${port}/readyz`, { signal });
    await answer.arrayBuffer();
    return answer.ok;
  } catch {
    return false;
  }
}

/** Proxies whose word is taken for whom they forward: addresses and ranges, separated by commas. @throws Stop for what is neither */
function trustedProxies(proxyAddress, text) {
  const proxies = text
    .split(',')
    .map((one) => one.trim())
    .filter((one) => one !== '');
  try {
    return proxyAddress.compile(proxies);
  } catch (error) {
    throw new Stop(`SUMMANT_TRUSTED_PROXIES takes addresses and ranges such as 10.0.0.0/8: ${error.message}.`);
  }
}

/** Who a request is from: the last on its way that is no trusted proxy; null where that is no address. */
function clientOf(proxyAddress, request, isProxy) {
  const address = proxyAddress(request, isProxy);
  return address && isIP(address) ? address : null;
}

/** Whether a trusted proxy says that it was asked over TLS; then browsers ask by no other way for a year (RFC 6797). */
function isOverTls({ socket, headers }, isProxy) {
  return headers['x-forwarded-proto'] === 'https' && isProxy(socket.remoteAddress ?? '', 0);
}

/** Refuses connections from an address that has as many as it may. @param free addresses that are not counted */
export function limitEach(server, free, most = mostFromOne) {
  const open = new Map();
  server.on('connection', (socket) => {
    const address = socket.remoteAddress ?? '';
    if (free(address)) return;
    const count = (open.get(address) ?? 0) + 1;
    if (count > most) return socket.destroy();
    open.set(address, count);
    socket.once('close', () => {
      const left = open.get(address) - 1;
      if (left > 0) open.set(address, left);
      else open.delete(address);
    });
  });
}

function isLoopback(address) {
  const plain = address.replace(/^::ffff:/, '');
  return plain === '::1' || plain.startsWith('127.');
}

/** Whether this machine asks, and not through a proxy, behind which anybody may be. */
function isLocal({ socket, headers }) {
  return (
    isLoopback(socket.remoteAddress ?? '') &&
    !['x-forwarded-for', 'x-real-ip', 'forwarded', 'via'].some((name) => headers[name] !== undefined)
  );
}

/** The name of a request in the log: as a trusted proxy calls it, else a new one. */
function requestIdOf({ socket, headers }, isProxy) {
  const given = headers['x-request-id'];
  const fits = typeof given === 'string' && /^[\w.-]{8,64}$/.test(given);
  return fits && isProxy(socket.remoteAddress ?? '', 0) ? given : randomUUID();
}

/**
 * What the process counts, on a port of its own for those who watch it. @param at `port` or `host:port`; this machine alone where no host is said
 * @returns its address and the way to close it
 */
export async function serveMetrics(at) {
  const found = /^(?:(.+):)?(\d{1,5})$/.exec(at);
  if (!found) throw new Stop(`SUMMANT_METRICS is “${at}”. It takes a port, or host:port.`);
  const [, host = '127.0.0.1', port] = found;
  const { register } = await import('prom-client');
  const server = createServer({ requestTimeout: 10_000, headersTimeout: 5000 }, (request, response) => {
    if (request.method !== 'GET' || request.url !== '/metrics') return response.writeHead(404).end();
    register.metrics().then(
      (text) => response.writeHead(200, { 'content-type': register.contentType }).end(text),
      () => response.writeHead(500).end(),
    );
  });
  server.maxConnections = 20;
  server.setTimeout(30_000);
  await listen(server, host.replace(/^\[|\]$/g, ''), Number(port), Number(port));
  return {
    address: `http://${host}:${server.address().port}/metrics`,
    close: () => new Promise((resolve) => (server.close(() => resolve()), server.closeAllConnections())),
  };
}

/** Listens on the first free port from `port` to `lastPort`; returns those that were taken. */
export async function listen(server, host, port, lastPort) {
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

/** A host as it stands in an address (RFC 3986, 3.2.2). */
const inAddress = (host) => (host.includes(':') ? `[${host}]` : host);
