import { afterEach, describe, expect, test, vi } from 'vitest';
import { refuseForeignName, refuseForeignWrite } from './guard.ts';

afterEach(() => vi.unstubAllEnvs());
const asked = (method: string, headers: Record<string, string>, path = '/api/draft') => {
  const url = new URL(`http://127.0.0.1:4321${path}`);
  return { request: new Request(url, { method, headers }), url };
};

describe('the name that a request comes under', () => {
  const statusUnder = (host: string) => refuseForeignName(asked('GET', { host }).request)?.status ?? 200;
  test.each(['localhost', 'localhost:4321', '127.0.0.1', '127.0.0.1:9', '[::1]', '[::1]:4321', 'LocalHost:80'])(
    '%s is ours',
    (host) => expect(statusUnder(host)).toBe(200),
  );
  test.each([
    'shop.example.com',
    'localhost.example.com',
    '127.0.0.1.example.com',
    'example.com:4321',
    '127.0.0.2',
    '',
    'localhost:4321:1',
  ])('“%s” is not', (host) => expect(statusUnder(host)).toBe(421));
  test('names that the store has given are, whatever their case and the spaces around them', () => {
    vi.stubEnv('SUMMANT_HOSTS', 'rules.example.com , Other.example.com');
    expect(
      ['rules.example.com', 'RULES.example.com:443', 'other.example.com', 'third.example.com'].map(statusUnder),
    ).toEqual([200, 200, 200, 421]);
  });
  test('without names given, an empty one is none of them', () => {
    vi.stubEnv('SUMMANT_HOSTS', 'rules.example.com');
    expect(statusUnder('')).toBe(421);
  });
  test('the name that it listens under is', () => {
    vi.stubEnv('HOST', 'inside.example.com');
    expect(statusUnder('inside.example.com:4321')).toBe(200);
  });
});

describe('writes', () => {
  const statusOf = (method: string, headers: Record<string, string>, path?: string) => {
    const { request, url } = asked(method, headers, path);
    return refuseForeignWrite(request, url)?.status ?? 200;
  };
  const host = '127.0.0.1:4321';
  test.each<[string, Record<string, string>, number]>([
    ['a program', {}, 200],
    ['our own page', { host, origin: `http://${host}`, 'sec-fetch-site': 'same-origin' }, 200],
    ['another site', { host, origin: 'https://example.com', 'sec-fetch-site': 'cross-site' }, 403],
    ['another port of this machine', { host, origin: 'http://127.0.0.1:80' }, 403],
    ['a page without an origin', { host, origin: 'null' }, 403],
    ['another site that hides its origin', { host, 'sec-fetch-site': 'cross-site' }, 403],
  ])('of %s', (_, headers, status) => {
    expect(statusOf('PATCH', headers)).toBe(status);
    expect(statusOf('GET', headers)).toBe(200);
  });
  test('a shop’s quotes are open to others, and nothing that only looks like them', () => {
    const foreign = { host, origin: 'https://example.com' };
    expect(statusOf('POST', foreign, '/api/quote')).toBe(200);
    expect(statusOf('POST', foreign, '/api/quote/')).toBe(200);
    expect(statusOf('POST', foreign, '/api/quotes/verify')).toBe(200);
    expect(statusOf('POST', foreign, '/api/quotes/other')).toBe(403);
  });
  test('behind a proxy, our name over TLS is ours and in the clear is not', () => {
    const name = 'rules.example.com';
    expect(statusOf('PATCH', { host: name, origin: `https://${name}` })).toBe(200);
    expect(statusOf('PATCH', { host: name, origin: `http://${name}` })).toBe(403);
  });
});
