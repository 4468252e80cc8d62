import { copyFile, mkdtemp, rm, utimes, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { MadeKey } from '../../src/contract/shapes/access-key.ts';
import { startApplication, type Application } from '../support/application.ts';
import { call, type ProblemBody } from '../support/api.ts';
import { address, databaseUrl, emptyAddress } from '../support/server-here.ts';

interface WhereBody {
  address: string | null;
  country: string | null;
  region: string | null;
  market: string | null;
  sure: string;
}
const where = async (query = '', from = address, headers: Record<string, string> = {}): Promise<WhereBody> =>
  (await call<WhereBody>(from, 'GET', `/api/where${query}`, { headers })).body;

describe('where somebody probably is', () => {
  test('is told by the table of documentation ranges', async () => {
    expect(await where('?address=192.0.2.70')).toEqual({
      address: '192.0.2.70',
      country: 'BE',
      region: null,
      market: 'nlbe',
      sure: 'found',
    });
    expect(await where('?address=2001:db8:3::9')).toMatchObject({ country: 'US', region: 'US-CA', market: 'us' });
  });
  test('is the store’s first market for whom nobody knows, which is said', async () => {
    for (const unknown of ['203.0.113.230', '127.0.0.1', '::1'])
      expect(await where(`?address=${unknown}`)).toMatchObject({ country: null, market: 'nlbe', sure: 'assumed' });
    // Whoever asks is on this machine.
    expect(await where()).toMatchObject({ address: '127.0.0.1', sure: 'assumed' });
  });
  test('gives way to what was chosen', async () =>
    expect(await where('?address=192.0.2.70&market=jp')).toMatchObject({
      country: 'BE',
      market: 'jp',
      sure: 'chosen',
    }));
  test('is refused for what is no address, or no market', async () => {
    for (const [query, at] of [
      ['?address=192.0.2.300', '/address'],
      ['?address=localhost', '/address'],
      ['?market=mars', '/market'],
      ['?colour=red', '/colour'],
    ] as const) {
      const { status, body } = await call<ProblemBody>(address, 'GET', `/api/where${query}`);
      expect([query, status, body.fields!.map(({ pointer }) => pointer)]).toEqual([query, 422, [at]]);
    }
    expect((await call(emptyAddress, 'GET', '/api/where')).status).toBe(409);
  });
  test('is not known while the service is away', async () => {
    await call(address, 'PUT', '/api/stand-ins/where', { body: { mode: 'down' } });
    expect(await where('?address=192.0.2.70')).toMatchObject({ country: null, market: 'nlbe', sure: 'assumed' });
    await call(address, 'PUT', '/api/stand-ins/where', { body: { mode: 'works' } });
    expect(await where('?address=192.0.2.70')).toMatchObject({ sure: 'found' });
  });
});

describe('behind a proxy, with a table of one’s own', () => {
  let folder: string;
  let table: string;
  let behind: Application;
  beforeAll(async () => {
    folder = await mkdtemp(join(tmpdir(), 'summant-where-'));
    table = join(folder, 'addresses.csv');
    await copyFile('stand-ins/addresses.csv', table);
    behind = await startApplication({
      DATABASE_URL: databaseUrl,
      SUMMANT_TRUSTED_PROXIES: '127.0.0.1, 198.51.100.0/24',
      SUMMANT_ADDRESSES: table,
    });
  });
  afterAll(async () => {
    await behind.stop();
    await rm(folder, { recursive: true });
  });
  test('whoever a trusted proxy names is looked up, and nobody else', async () => {
    const key = { name: 'A shop behind a proxy', kind: 'secret', origins: [] };
    const made = await call<MadeKey>(address, 'POST', '/api/keys', { body: key });
    const authorization = `Bearer ${made.body.token}`;
    const named = async (forwarded: string, from = behind.address) =>
      (await where('', from, { 'x-forwarded-for': forwarded, authorization })).address;
    expect(await named('192.0.2.70')).toBe('192.0.2.70');
    // What stands left of the first that is no trusted proxy, anybody may have written.
    expect(await named('203.0.113.1, 192.0.2.70, 198.51.100.7')).toBe('192.0.2.70');
    expect(await named('198.51.100.7')).toBe('198.51.100.7');
    expect(await named('unknown')).toBeNull();
    expect(await named('')).toBe('127.0.0.1');
    // Without a proxy that is trusted, none is believed.
    expect(await named('192.0.2.70', address)).toBe('127.0.0.1');
    await call(address, 'DELETE', `/api/keys/${made.body.key.id}`);
  });
  test('a table that changes is followed; one with a mistake is not', async () => {
    let minute = 0;
    const write = async (csv: string) => {
      await writeFile(table, csv);
      // So that it is seen however coarse the clock of the files is.
      const at = new Date(Date.now() + ++minute * 60_000);
      await utimes(table, at, at);
    };
    const country = async () => (await where('?address=192.0.2.70', behind.address)).country;
    expect(await country()).toBe('BE');
    await write('range,country,region\n192.0.2.0/24,JP,\n');
    await expect.poll(country).toBe('JP');
    await write('range,country,region\nnone\n');
    const said = async () => {
      await country();
      return behind.said();
    };
    await expect.poll(said).toContain('the table of addresses is not used');
    expect(await country()).toBe('JP');
    await write('range,country,region\n192.0.2.0/24,DK,\n');
    await expect.poll(country).toBe('DK');
  });
});
