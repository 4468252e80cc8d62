import { request } from 'node:http';
import { describe, expect, test } from 'vitest';
import { call, etagOf, patchDraft, readDraft, setGoal, type ProblemBody } from '../support/api.ts';
import { address, emptyAddress } from '../support/server-here.ts';

interface QuoteBody {
  release: number;
  options: { id: string; priceBefore: number; priceAfter: number }[];
  goals: { offer: string; remaining: number | null; status: string }[];
  messages: { place: string; text: string; language: string }[];
  noOptions: string | null;
}
const cart = {
  lines: [
    { product: 'tidewing-16', quantity: 1 },
    { product: 'line-50', quantity: 2 },
  ],
  destination: { country: 'NL', postcode: '1799 ZA' },
};
const freeDelivery = ({ goals }: QuoteBody) => goals.find(({ offer }) => offer === 'free-delivery');
const quote = (body: unknown = cart, headers: Record<string, string> = {}) =>
  call<QuoteBody & ProblemBody>(address, 'POST', '/api/quote', { body, headers });
const release = (revision: number, note: string, reason: string | null = 'The gaps of the demo are meant.') =>
  call<{ number: number; reason: string | null } & ProblemBody>(address, 'POST', '/api/releases', {
    body: { note, ...(reason === null ? {} : { reason }) },
    headers: { 'if-match': etagOf(revision) },
  });

describe('releases', () => {
  test('the shop sees an edit after its release and not before; rolling back takes it away again', async () => {
    const before = await quote();
    expect(before.body).toMatchObject({ options: [{ priceAfter: 595 }, { priceAfter: 450 }] });
    expect(freeDelivery(before.body)).toMatchObject({ remaining: 1115, status: 'inForce' });
    const edited = await patchDraft(address, (await readDraft(address)).revision, setGoal('nlbe', 6000));
    expect((await quote()).body).toEqual(before.body);

    const released = await release(edited.body.revision, 'Lower for the season');
    expect(released.status).toBe(201);
    const after = await quote();
    expect(after.body).toMatchObject({
      release: released.body.number,
      options: [
        { priceBefore: 595, priceAfter: 0 },
        { priceBefore: 450, priceAfter: 0 },
      ],
    });
    expect(freeDelivery(after.body)).toMatchObject({ remaining: 0 });
    expect(after.body.messages.find(({ place }) => place === 'strip')).toMatchObject({
      text: 'Uw bezorging is gratis.',
      language: 'nl-NL',
    });

    const back = await call<{ number: number; copyOf: number }>(
      address,
      'POST',
      `/api/releases/${before.body.release}/roll-back`,
      { body: { note: '' } },
    );
    expect(back).toMatchObject({
      status: 201,
      body: { number: released.body.number + 1, copyOf: before.body.release },
    });
    expect((await quote()).body).toEqual({ ...before.body, release: back.body.number });
    expect((await readDraft(address)).policy).toEqual(edited.body.policy);
    const old = await call<{ policy: unknown }>(address, 'GET', `/api/releases/${released.body.number}`);
    expect(old.body.policy).toEqual(edited.body.policy);
    await call(address, 'POST', '/api/draft/undo', { headers: { 'if-match': etagOf(edited.body.revision) } });
  });

  test('a draft that moved on since it was looked at is not released', async () => {
    const { revision } = await readDraft(address);
    expect((await release(revision - 1, '')).status).toBe(412);
  });
  test('a release that does not exist', async () => {
    for (const number of ['999', '0', 'x', '-1']) {
      expect((await call(address, 'GET', `/api/releases/${number}`)).status).toBe(404);
      expect((await call(address, 'POST', `/api/releases/${number}/roll-back`, { body: { note: '' } })).status).toBe(
        404,
      );
    }
  });
  test('two releases at once get numbers of their own', async () => {
    const { revision } = await readDraft(address);
    const numbers = (await Promise.all([1, 2, 3, 4].map(() => release(revision, 'at once')))).map(
      ({ body }) => body.number,
    );
    expect(new Set(numbers).size).toBe(4);
    expect(Math.max(...numbers) - Math.min(...numbers)).toBe(3);
  });
});

describe('quotes', () => {
  test('in the language asked for, falling back to the market’s', async () => {
    expect((await quote({ ...cart, language: 'en-GB' })).body.messages[0]).toMatchObject({
      language: 'en-GB',
      text: 'Add €11.15 more for free delivery.',
    });
    expect((await quote({ ...cart, language: 'fr-BE' })).body.messages[0]).toMatchObject({ language: 'nl-NL' });
  });
  test('a destination nobody delivers to', async () =>
    expect((await quote({ ...cart, destination: { country: 'CA', postcode: '' } })).body).toMatchObject({
      options: [],
      noOptions: 'noZone',
      messages: [],
      outOfArea: 'We do not deliver to your country yet.',
    }));
  test('an empty cart', async () =>
    expect(freeDelivery((await quote({ ...cart, lines: [] })).body)).toMatchObject({ remaining: 7500 }));
  test('for a shopper the shop knows, with codes, discounts, a carrier’s quote, redemptions and an earlier choice', async () => {
    const { body } = await quote({
      lines: [
        { product: 'tidewing-16', quantity: 2 },
        { product: 'kite-book', quantity: 1 },
      ],
      destination: { country: 'DE', postcode: '19999', residential: true },
      shopper: { signedIn: true, groups: ['members'], orderCount: 4 },
      codes: ['school'],
      discounts: [{ kind: 'percent', percent: '10' }],
      quotes: { 'gale-express': 1180 },
      redemptions: { 'first-order': { inAll: 9 } },
      earlier: { option: 'deat-express', price: 1290 },
      language: 'de-DE',
    });
    expect(body).toMatchObject({
      market: 'deat',
      preselected: 'deat-express',
      earlier: { optionId: 'deat-express', still: 'cheaper', was: 1290, now: 0 },
      totals: { goods: 9666, goodsReward: 0 },
      goals: expect.arrayContaining([
        expect.objectContaining({ offer: 'school-term', status: 'inForce', remaining: 371 }),
      ]),
    });
    expect(body.options.find(({ id }) => id === 'deat-express')).toMatchObject({
      priceBefore: 1348,
      priceAfter: 0,
      setBy: [{ offer: 'members-sooner', goal: 'first' }],
    });
  });
  test('what is not offered, and what is said instead', async () => {
    const { body } = await quote({ ...cart, destination: { country: 'GB', postcode: 'ZY1 4ZZ' } });
    expect(body).toMatchObject({
      unavailable: [
        { id: 'uk-highlands-summer', reason: 'notNow', text: 'The summer courier rides from June to August.' },
      ],
    });
  });
  test('a market that was chosen, and one that does not exist', async () => {
    expect((await quote({ ...cart, market: 'uk' })).body).toMatchObject({
      market: 'uk',
      currency: 'GBP',
      noOptions: 'noZone',
    });
    expect(await quote({ ...cart, market: 'moon' })).toMatchObject({
      status: 422,
      body: { fields: [{ pointer: '/market' }] },
    });
  });
  test('a shop’s server may forward the shopper’s origin', async () =>
    expect((await quote(cart, { origin: 'https://shop.example.com' })).status).toBe(200));
  test('unknown products are named by position', async () => {
    const reply = await quote({ ...cart, lines: [...cart.lines, { product: 'nope', quantity: 1 }] });
    expect(reply).toMatchObject({
      status: 422,
      body: { fields: [{ pointer: '/lines/2/product', message: 'there is no product with the id or SKU "nope"' }] },
    });
  });
  test.each([
    ['no destination', { lines: [] }, '/destination'],
    ['quantity zero', { ...cart, lines: [{ product: 'winder', quantity: 0 }] }, '/lines/0/quantity'],
    ['quantity as text', { ...cart, lines: [{ product: 'winder', quantity: '1' }] }, '/lines/0/quantity'],
    ['a property too many', { ...cart, coupon: 'X' }, '/coupon'],
    ['an unknown way to discount', { ...cart, discounts: [{ kind: 'half' }] }, '/discounts/0/kind'],
    ['a shopper who is neither', { ...cart, shopper: {} }, '/shopper/signedIn'],
    ['a country’s name', { ...cart, destination: { country: 'Netherlands', postcode: '' } }, '/destination/country'],
  ])('%s', async (_, body, pointer) => {
    const reply = await quote(body);
    expect(reply.status).toBe(422);
    expect(reply.body.fields!.map((field) => field.pointer)).toContain(pointer);
  });
  test('not JSON, too large, another type', async () => {
    expect((await call(address, 'POST', '/api/quote', { raw: '{' })).status).toBe(400);
    expect(
      (await call(address, 'POST', '/api/quote', { raw: JSON.stringify({ ...cart, language: 'x'.repeat(70_000) }) }))
        .status,
    ).toBe(413);
    expect(
      (await call(address, 'POST', '/api/quote', { raw: '{}', headers: { 'content-type': 'text/plain' } })).status,
    ).toBe(415);
  });
  test('before the first release', async () => {
    const reply = await call<ProblemBody>(emptyAddress, 'POST', '/api/quote', { body: cart });
    expect(reply).toMatchObject({ status: 409, body: { title: 'Nothing has been released yet' } });
  });
});

describe('the rest', () => {
  test('health and readiness', async () => {
    expect((await call(address, 'GET', '/healthz')).body).toEqual({ status: 'ok' });
    expect((await call(address, 'GET', '/readyz')).body).toMatchObject({ status: 'ok', database: 'ok' });
  });
  test('the OpenAPI document is served', async () =>
    expect((await call<{ openapi: string }>(address, 'GET', '/openapi.json')).body.openapi).toBe('3.1.0'));
  test('order values add up to the orders of the market', async () => {
    const { body } = await call<{ orders: number; counts: number[]; valueSteps: number[] }>(
      address,
      'GET',
      '/api/orders/values?market=nlbe',
    );
    expect(body.counts.reduce((a, b) => a + b, 0)).toBe(body.orders);
    expect(body.orders).toBeGreaterThan(8000);
    expect((await call(address, 'GET', '/api/orders/values?market=constructor')).status).toBe(404);
  });
  test('an address that is none is a problem, not a page', async () =>
    expect((await call(address, 'GET', '/api/nothing')).type).toBe('application/problem+json'));
  test('the demo store is not loaded over what is there', async () =>
    expect((await call(address, 'POST', '/api/demo', { body: {} })).status).toBe(409));
  test('a name that is not ours is refused: a foreign page cannot be led here', async () => {
    const { port } = new URL(address);
    const statusUnder = (host: string) =>
      new Promise<number>((resolve, reject) => {
        request({ host: '127.0.0.1', port, path: '/api/draft', headers: { host } }, (response) =>
          resolve(response.resume().statusCode!),
        )
          .on('error', reject)
          .end();
      });
    expect(await statusUnder(`elsewhere.example.com:${port}`)).toBe(421);
    expect(await statusUnder('localhost')).toBe(200);
    expect(await statusUnder(`LOCALHOST:${port}`)).toBe(200);
  });
  test('pages carry a strict content security policy and are not framed', async () => {
    const { headers } = await fetch(`${address}/offers`);
    const policy = headers.get('content-security-policy')!;
    expect(policy).toMatch(/script-src 'self' 'sha256-/);
    expect(policy).not.toMatch(/unsafe/);
    expect(headers.get('x-frame-options')).toBe('DENY');
  });
});

describe('a release with something wrong', () => {
  test('what is wrong is released for a reason only, which is kept; what is accepted needs none', async () => {
    const edited = await patchDraft(address, (await readDraft(address)).revision, setGoal('uk', 6900));
    const refused = await release(edited.body.revision, 'Without a reason', null);
    expect(refused.status).toBe(422);
    expect(refused.body.detail).toMatch(
      /sells to Luxembourg, but no zone takes it in: nobody there can check out\..*Nothing was released/,
    );
    expect((await release(edited.body.revision, 'Blank', '   ')).status).toBe(422);
    const released = await release(edited.body.revision, 'For a reason', 'They are told by hand.');
    expect(released).toMatchObject({ status: 201, body: { reason: 'They are told by hand.' } });
    const { body: listed } = await call<{ releases: { reason: string | null }[] }>(address, 'GET', '/api/releases');
    expect(listed.releases[0]!.reason).toBe('They are told by hand.');
    const accept = async (id: string, sentence: string) =>
      patchDraft(address, (await readDraft(address)).revision, [
        { op: 'add', path: `/accepted/${id.replaceAll('/', '~1')}`, value: { reason: 'Meant so', sentence } },
      ]);
    await patchDraft(address, (await readDraft(address)).revision, [{ op: 'add', path: '/accepted', value: {} }]);
    const wrong = refused.body.detail.split(' Nothing was released')[0]!;
    const [luxembourg, canada] = wrong.split(/(?<=check out\.) /);
    await accept('uncoveredCountry /markets/nlbe/countries/LU LU', luxembourg!);
    const half = await release((await readDraft(address)).revision, 'One accepted', null);
    expect([half.status, half.body.detail.includes('Luxembourg'), half.body.detail.includes('Canada')]).toEqual([
      422,
      false,
      true,
    ]);
    await accept('uncoveredCountry /markets/us/elsewhere', canada!);
    const both = await release((await readDraft(address)).revision, 'Both accepted', null);
    expect(both).toMatchObject({ status: 201, body: { reason: null } });
    // Other files count on the demo as it was loaded.
    for (let draft = await readDraft(address); draft.canUndo !== null; draft = await readDraft(address))
      await call(address, 'POST', '/api/draft/undo', { headers: { 'if-match': etagOf(draft.revision) } });
    expect((await release((await readDraft(address)).revision, 'the demo again')).status).toBe(201);
  });
});
