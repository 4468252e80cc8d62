import { describe, expect, test } from 'vitest';
import type { RateHistory } from '../../src/core/money/rate-history.ts';
import { iso31662 } from 'iso-3166';
import { call, patchDraft, readDraft, type ProblemBody } from '../support/api.ts';
import { address } from '../support/server-here.ts';

interface Counts {
  added: number;
  changed: number;
  same: number;
  newest: string | null;
}
const rates = async () => (await call<{ rates: RateHistory; feed: string }>(address, 'GET', '/api/rates')).body;
const mode = (name: string, wanted: string) =>
  call<{ mode: string }>(address, 'PUT', `/api/stand-ins/${name}`, { body: { mode: wanted } });

describe('the rate feed', () => {
  test('gives the same rates for the same days, on working days, and is there from the start in the demo store', async () => {
    const { rates: history, feed } = await rates();
    expect(feed).toBe('works');
    expect(history.DKK!.length).toBeGreaterThan(500);
    expect(history.DKK!.every(({ day }) => ![0, 6].includes(new Date(`${day}T00:00Z`).getUTCDay()))).toBe(true);
    const again = await call<Counts>(address, 'POST', '/api/rates/fetch', { body: {} });
    expect(again.body).toMatchObject({ added: 0, changed: 0 });
    expect(again.body.same).toBeGreaterThan(5000);
  });
  test('that is behind says of which day its newest is; one that is down keeps what is known', async () => {
    const before = (await rates()).rates;
    await mode('rate-feed', 'stale');
    const stale = await call<Counts>(address, 'POST', '/api/rates/fetch', { body: {} });
    expect(Date.now() - Date.parse(stale.body.newest!)).toBeGreaterThan(8 * 86_400_000);
    await mode('rate-feed', 'down');
    const down = await call<ProblemBody>(address, 'POST', '/api/rates/fetch', { body: {} });
    expect([down.status, down.body.title]).toEqual([502, 'The rate feed cannot be read']);
    await mode('rate-feed', 'works');
    expect((await rates()).rates).toEqual(before);
  });
  test('a stand-in that does not exist, or cannot do that', async () => {
    expect((await mode('weather', 'works')).status).toBe(404);
    expect((await mode('rate-feed', 'singing')).status).toBe(422);
  });
});

describe('importing rates', () => {
  const file = (text: string, dryRun: string) =>
    call<Counts & { rejected: { line: number }[] } & ProblemBody>(
      address,
      'POST',
      `/api/rates/import?dryRun=${dryRun}`,
      { raw: text, headers: { 'content-type': 'text/csv' } },
    );
  test('a dry run counts and changes nothing; then they are there, and a second time changes nothing', async () => {
    const text = 'Date,USD,GBP,\n2019-01-03,1.1348,0.90165,\n2019-01-04,1.1403,N/A,\n2019-01-99,1,1,\n';
    const before = (await rates()).rates;
    expect((await file(text, 'yes')).body).toMatchObject({ added: 3, changed: 0, same: 0, rejected: [{ line: 4 }] });
    expect((await rates()).rates).toEqual(before);
    expect((await file(text, 'no')).body).toMatchObject({ added: 3 });
    expect((await rates()).rates.GBP![0]).toEqual({ day: '2019-01-03', rate: '0.90165' });
    expect((await file(text, 'no')).body).toMatchObject({ added: 0, same: 3 });
    expect((await file(text.replace('1.1348', '1.1349'), 'yes')).body).toMatchObject({ changed: 1, same: 2 });
  });
  test('a file without rates is refused with the reason', async () => {
    const { status, body } = await file('order;value\n1;2\n', 'no');
    expect([status, body.title]).toEqual([422, 'There are no rates in this file']);
  });
});

describe('regions', () => {
  test('of a country are those of ISO 3166-2', async () => {
    const { body } = await call<{ regions: { code: string; name: string }[] }>(
      address,
      'GET',
      '/api/regions?country=NL',
    );
    expect(body.regions.map(({ code }) => code).sort()).toEqual(
      iso31662
        .filter(({ code }) => code.startsWith('NL-'))
        .map(({ code }) => code)
        .sort(),
    );
    expect((await call(address, 'GET', '/api/regions?country=Netherlands')).status).toBe(422);
  });
  test('a zone of a region that does not exist is refused', async () => {
    const { revision } = await readDraft(address);
    const reply = await patchDraft<ProblemBody>(address, revision, [
      { op: 'add', path: '/zones/nlbe-all/area/include/r', value: { kind: 'region', region: 'NL-QQ' } },
    ]);
    expect([reply.status, reply.body.fields]).toEqual([
      422,
      [{ pointer: '/zones/nlbe-all/area/include/r/region', message: 'NL-QQ is not a region of ISO 3166-2' }],
    ]);
  });
});

describe('carriers', () => {
  const quoteTo = (country: string) =>
    call<{ options: { id: string; priceBefore: number }[]; unavailable: { id: string; reason: string }[] }>(
      address,
      'POST',
      '/api/quote',
      {
        body: {
          lines: [{ product: 'tidewing-16', quantity: 1 }],
          destination: { country, postcode: country === 'NL' ? '8895 AA' : '10115' },
        },
      },
    );
  const express = async () => (await quoteTo('DE')).body.options.find(({ id }) => id === 'deat-express')?.priceBefore;
  const flight = async () => (await quoteTo('NL')).body;
  test('are asked by a quote; whatever goes wrong with them, the fallback holds and nobody is left without an option', async () => {
    await mode('carrier', 'works');
    const works = await express();
    expect(works).toBeGreaterThan(1490);
    expect((await flight()).options.map(({ id }) => id)).toContain('nlbe-islands-air');
    for (const wrong of ['slow', 'failing', 'wrong', 'down']) {
      await mode('carrier', wrong);
      expect([wrong, await express()]).toEqual([wrong, 1490]);
    }
    const without = await flight();
    expect(without.options.map(({ id }) => id)).toEqual(['nlbe-islands-ferry']);
    expect(without.unavailable).toContainEqual(
      expect.objectContaining({ id: 'nlbe-islands-air', reason: 'carrierSilent' }),
    );
    await mode('carrier', 'works');
    expect(await express()).toBe(works);
  });
  test('are asked about each parcel as the option packs it, and their quotes are added up', async () => {
    const answer = await call<{
      options: { id: string; priceBefore: number }[];
      trace?: unknown;
    }>(address, 'POST', '/api/quote', {
      body: {
        lines: [
          { product: 'ground-anchor', quantity: 3 },
          { product: 'line-100', quantity: 2 },
        ],
        destination: { country: 'NL', postcode: '8895 AA' },
      },
    });
    // An anchor of 3800 g has a parcel each (at most 5 kg with 200 g and 1.5 %): 4057 g is rounded up to 4500 g, also with both
    // lines of 190 g in the first (4180 + 62.7 + 200 = 4443). A domestic parcel costs 4.80 and 0.95 for each further started
    // kilogram: 4 × 0.95 + 4.80 = 8.60. Three of them and 12.5 %, and 1.50.
    expect(answer.body.options.find(({ id }) => id === 'nlbe-islands-air')?.priceBefore).toBe(
      Math.round(3 * 860 * 1.125) + 150,
    );
  });
  test('quotes that the shop brings along are not asked for again', async () => {
    const { body } = await call<{ options: { id: string; priceBefore: number }[] }>(address, 'POST', '/api/quote', {
      body: {
        lines: [{ product: 'tidewing-16', quantity: 1 }],
        destination: { country: 'DE', postcode: '10115' },
        quotes: { 'gale-express': 1000 },
      },
    });
    expect(body.options.find(({ id }) => id === 'deat-express')?.priceBefore).toBe(1150);
  });
  test('a test tells what was sent and what came back', async () => {
    const test = (market: string) =>
      call<{ quote: number; problem: string | null; request: { from: { country: string } } }>(
        address,
        'POST',
        '/api/carriers/test',
        { body: { carrier: 'post', market, to: { country: 'GB', postcode: '' }, weightGrams: 2400, volumeCm3: 0 } },
      );
    // 9.90 + 2 × 1.60 = 13.10 €, at 0.8742 £11.45.
    expect((await test('uk')).body).toMatchObject({ quote: 1145, problem: null, request: { from: { country: 'NL' } } });
    expect((await test('nowhere')).status).toBe(422);
  });
});
