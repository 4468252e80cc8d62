import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { fetchPage, formatOf, isPublicAddress, largestPage } from './fetch-page.ts';

let server: Server;
let host: string;
const pages = new Map<string, RequestListener>();
const asked: string[] = [];

beforeEach(async () => {
  pages.clear();
  asked.length = 0;
  server = createServer((request, response) => {
    asked.push(request.url!);
    const page = pages.get(request.url!);
    if (page) page(request, response);
    else response.writeHead(404).end();
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  host = `127.0.0.1:${(server.address() as AddressInfo).port}`;
  vi.stubEnv('SUMMANT_PRIVATE_HOSTS', host);
});
afterEach(async () => {
  vi.unstubAllEnvs();
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
});

const says =
  (text: string, type = 'text/html'): RequestListener =>
  (_, response) =>
    void response.writeHead(200, { 'content-type': type }).end(text);
const fetched = (path: string, hosts = [host]) => fetchPage(`http://${host}${path}`, hosts);

describe('a page is fetched', () => {
  test('from a listed host, with what it is by its type', async () => {
    pages.set('/delivery', says('<p>Free</p>', 'text/html; charset=utf-8'));
    expect(await fetched('/delivery')).toEqual({ ok: true, content: '<p>Free</p>', format: 'html' });
    expect(asked).toEqual(['/robots.txt', '/delivery']);
  });
  test('from no other host, and no other protocol, and with no name or password', async () => {
    pages.set('/delivery', says('x'));
    expect(await fetched('/delivery', ['shop.example.com'])).toMatchObject({
      problem: expect.stringContaining('is not among') as string,
    });
    expect(await fetchPage(`ftp://${host}/x`, [host])).toMatchObject({ ok: false });
    expect(await fetchPage(`http://me:you@${host}/x`, [host])).toMatchObject({ ok: false });
    expect(await fetchPage('delivery', [host])).toMatchObject({ ok: false });
    expect(asked).toEqual([]);
  });
  test('from nowhere in an inner network, even where the host is listed', async () => {
    vi.stubEnv('SUMMANT_PRIVATE_HOSTS', '');
    pages.set('/delivery', says('secret'));
    const problem = expect.stringContaining('which is not on the open net') as string;
    expect(await fetched('/delivery')).toEqual({ ok: false, problem });
    const named = host.replace('127.0.0.1', 'localhost');
    expect(await fetchPage(`http://${named}/delivery`, [named])).toMatchObject({ problem });
    expect(asked).toEqual([]);
  });
  test('through redirects of the same host only, and not for ever', async () => {
    const leadsTo =
      (location: string): RequestListener =>
      (_, response) =>
        void response.writeHead(302, { location }).end();
    pages.set('/old', leadsTo('/delivery'));
    pages.set('/delivery', says('here'));
    pages.set('/away', leadsTo('http://other.example.com/'));
    pages.set('/round', leadsTo('/round'));
    expect(await fetched('/old')).toMatchObject({ content: 'here' });
    expect(await fetched('/away')).toMatchObject({
      problem: 'it leads on to other.example.com, which is another host',
    });
    expect(await fetched('/round')).toMatchObject({ problem: 'it leads on and on' });
  });
  test('up to a size, and tells of what fails', async () => {
    pages.set('/large', says('x'.repeat(largestPage + 1)));
    pages.set('/gone', (_, response) => void response.writeHead(410).end());
    pages.set('/cut', (request) => void request.socket.destroy());
    expect(await fetched('/large')).toMatchObject({ problem: 'it is larger than 1024 kB' });
    expect(await fetched('/gone')).toMatchObject({ problem: 'it was answered with 410' });
    expect(await fetched('/cut')).toMatchObject({ problem: 'it could not be reached' });
  });
});

// RFC 9309, Robots Exclusion Protocol: §2.2.2 the longest rule holds, §2.3.1.3 unavailable means everything is allowed,
// §2.3.1.4 unreachable means nothing is.
describe('robots.txt', () => {
  test('keeps programs out that it names, or all', async () => {
    pages.set(
      '/robots.txt',
      says(
        'User-agent: *\nDisallow: /inner\nAllow: /inner/open\n\nUser-agent: Summant\nDisallow: /not\n',
        'text/plain',
      ),
    );
    for (const path of ['/inner/a', '/inner/open/a', '/not/a', '/yes']) pages.set(path, says('x'));
    expect(await fetched('/not/a')).toMatchObject({ problem: expect.stringContaining('robots.txt') as string });
    // A group that names a program holds for it alone (§2.2.1).
    expect(await fetched('/inner/a')).toMatchObject({ ok: true });
    expect(await fetched('/yes')).toMatchObject({ ok: true });
  });
  test('the longest rule wins', async () => {
    pages.set('/robots.txt', says('User-agent: *\nDisallow: /inner\nAllow: /inner/open\n', 'text/plain'));
    for (const path of ['/inner/a', '/inner/open/a']) pages.set(path, says('x'));
    expect(await fetched('/inner/a')).toMatchObject({ ok: false });
    expect(await fetched('/inner/open/a')).toMatchObject({ ok: true });
  });
  test('that fails keeps everything out', async () => {
    pages.set('/robots.txt', (_, response) => void response.writeHead(500).end());
    pages.set('/delivery', says('x'));
    expect(await fetched('/delivery')).toMatchObject({ ok: false });
    expect(asked).toEqual(['/robots.txt']);
  });
});

// IANA’s registries of special-purpose addresses (RFC 6890), as the npm package ipaddr.js has them.
test.each([
  ['1.2.3.4', true],
  ['2a02:1::1', true],
  ['127.0.0.1', false],
  ['10.1.2.3', false],
  ['172.16.0.1', false],
  ['192.168.1.1', false],
  ['169.254.169.254', false],
  ['100.64.0.1', false],
  ['0.0.0.0', false],
  ['224.0.0.1', false],
  ['::1', false],
  ['fd00::1', false],
  ['fe80::1', false],
  ['::ffff:127.0.0.1', false],
  ['64:ff9b::7f00:1', false],
  ['shop.example.com', false],
])('%s is on the open net: %s', (address, open) => expect(isPublicAddress(address)).toBe(open));

test.each([
  ['text/html; charset=utf-8', '/x', 'html'],
  ['application/rss+xml', '/x', 'xml'],
  ['application/ld+json', '/x', 'json'],
  ['application/octet-stream', '/feed.csv', 'csv'],
  ['text/plain', '/x', 'text'],
])('%s at %s is read as %s', (type, path, format) => expect(formatOf(type, path)).toBe(format));
