import { createHash, createHmac } from 'node:crypto';
import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createConnection, type RowDataPacket } from 'mysql2/promise';
import canonicalize from 'canonicalize';
import { describe, expect, test } from 'vitest';
import type { SignedBy } from '../../src/contract/shapes/signed-quote.ts';
import { root } from '../support/application.ts';
import { call, type ProblemBody } from '../support/api.ts';
import { address, databaseUrl } from '../support/server-here.ts';

interface QuoteBody {
  carriersSilent: string[];
  options: { priceAfter: number }[];
  signed: SignedBy | null;
}
const cart = {
  lines: [{ product: 'tidewing-16', quantity: 1 }],
  destination: { country: 'NL', postcode: '1799 ZA' },
};
const quoted = async (): Promise<QuoteBody & { signed: SignedBy }> => {
  const { body } = await call<QuoteBody>(address, 'POST', '/api/quote', { body: { ...cart, sign: { minutes: 30 } } });
  return body as QuoteBody & { signed: SignedBy };
};
const verify = async (quote: unknown, request?: unknown) =>
  (
    await call<{ holds: boolean; because: string | null }>(address, 'POST', '/api/quotes/verify', {
      body: { quote, ...(request === undefined ? {} : { request }) },
    })
  ).body;

async function secretOf(key: string): Promise<Buffer> {
  const connection = await createConnection({ uri: databaseUrl });
  const [[row]] = await connection.query<RowDataPacket[]>('SELECT secret FROM signing_secret WHERE id = ?', [key]);
  await connection.end();
  return row!.secret as Buffer;
}

describe('a quote', () => {
  test('is not signed unless it is asked to be', async () => {
    const { body } = await call<QuoteBody>(address, 'POST', '/api/quote', { body: cart });
    expect(body.signed).toBeNull();
    expect(await verify(body)).toEqual({ holds: false, because: 'notSigned' });
  });
  test('is signed with HMAC-SHA-256 over its canonical form, as Node and openssl work it out', async () => {
    const quote = await quoted();
    const { signature, ...by } = quote.signed;
    const signed = canonicalize({ ...quote, signed: by })!;
    const secret = await secretOf(by.key);
    expect(createHmac('sha256', secret).update(signed).digest('base64url')).toBe(signature);
    const openssl = spawnSync(
      'openssl',
      ['dgst', '-sha256', '-mac', 'HMAC', '-macopt', `hexkey:${secret.toString('hex')}`, '-binary'],
      { input: signed },
    );
    expect(openssl.stdout.toString('base64url')).toBe(signature);
    expect(by.cart).toBe(createHash('sha256').update(canonicalize(cart)!).digest('base64url'));
    expect(Date.parse(by.expires) - Date.parse(by.at)).toBe(30 * 60_000);
  });
  test('holds as it was answered, whatever order its members come in, for its cart', async () => {
    const quote = await quoted();
    expect(await verify(quote)).toEqual({ holds: true, because: null });
    const turned = Object.fromEntries(Object.entries(quote).reverse());
    expect(await verify(turned, { ...cart, sign: { minutes: 30 } })).toEqual({ holds: true, because: null });
    expect(await verify(quote, { ...cart, lines: [{ product: 'tidewing-16', quantity: 9 }] })).toEqual({
      holds: false,
      because: 'otherCart',
    });
  });
  test('does not hold once a price, its end or its cart is another, nor with another secret', async () => {
    const quote = await quoted();
    const { signed, options } = quote;
    const cheaper = { ...quote, options: [{ ...options[0]!, priceAfter: 0 }, ...options.slice(1)] };
    const altered = { holds: false, because: 'altered' };
    expect(await verify(cheaper)).toEqual(altered);
    for (const change of [
      { expires: '2099-01-01T00:00:00.000Z' },
      { id: 'another' },
      { cart: 'another' },
      { signature: '' },
      { signature: signed.signature.slice(1) },
      { signature: `${signed.signature}=` },
    ])
      expect(await verify({ ...quote, signed: { ...signed, ...change } })).toEqual(altered);
    expect(await verify({ ...quote, more: 1 })).toEqual(altered);
    expect(await verify({ ...quote, signed: { ...signed, key: 'none' } })).toEqual({
      holds: false,
      because: 'unknownKey',
    });
    expect(await verify({})).toEqual({ holds: false, because: 'notSigned' });
    const endless = await fetch(`${address}/api/quotes/verify`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ quote: { ...quote, more: 0 } }).replace('"more":0', '"more":1e400'),
    });
    expect([endless.status, await endless.json()]).toEqual([200, altered]);
  });
  test('does not hold after its end', async () => {
    const quote = await quoted();
    const { signature: _, ...by } = quote.signed;
    const over = { ...quote, signed: { ...by, expires: new Date(Date.now() - 1).toISOString() } };
    const signature = createHmac('sha256', await secretOf(by.key))
      .update(canonicalize(over)!)
      .digest('base64url');
    expect(await verify({ ...over, signed: { ...over.signed, signature } })).toEqual({
      holds: false,
      because: 'expired',
    });
  });
  test('is signed for a day at most', async () => {
    for (const sign of [{ minutes: 0 }, { minutes: 1441 }, {}, true]) {
      const { status } = await call(address, 'POST', '/api/quote', { body: { ...cart, sign } });
      expect(status).toBe(422);
    }
  });
});

describe('the sample code of docs/shop.md', () => {
  const shop = readFileSync(`${root}/docs/shop.md`, 'utf8');
  const sample = (language: string) => new RegExp(`\`\`\`${language}\\n([\\s\\S]*?)\`\`\``).exec(shop)![1]!;
  test.each([
    [
      'js',
      (code: string) => [
        'node',
        '--input-type=module',
        '-e',
        `${code}
import { readFileSync } from 'node:fs';
const [quote, secret] = JSON.parse(readFileSync(0, 'utf8'));
console.log(holds(quote, secret));`,
      ],
    ],
    [
      'python',
      (code: string) => [
        'python3',
        '-c',
        `${code}
import sys
quote, secret = json.load(sys.stdin)
print(str(holds(quote, secret)).lower())`,
      ],
    ],
  ])('proves a quote in %s', async (language, command) => {
    const quote = await quoted();
    const secret = (await secretOf(quote.signed.key)).toString('hex');
    const proves = (said: object, by: string) => {
      const [program, ...options] = command(sample(language));
      const ran = spawnSync(program!, options, { cwd: root, input: JSON.stringify([said, by]), encoding: 'utf8' });
      expect(ran.stderr).toBe('');
      return ran.stdout.trim();
    };
    expect(proves(quote, secret)).toBe('true');
    expect(proves({ ...quote, options: [] }, secret)).toBe('false');
    expect(proves(quote, '00'.repeat(32))).toBe('false');
    const { signature, ...by } = quote.signed;
    expect(proves({ ...quote, signed: { ...by, expires: '2020-01-01T00:00:00.000Z', signature } }, secret)).toBe(
      'false',
    );
  });
});

describe('many carts in one call', () => {
  const quotes = (carts: readonly unknown[]) =>
    call<{ quotes: { quote: QuoteBody | null; problem: ProblemBody | null }[] } & ProblemBody>(
      address,
      'POST',
      '/api/quotes',
      { body: { carts } },
    );
  test('are quoted as each is by itself, in their order', async () => {
    const carts = [cart, { ...cart, destination: { country: 'JP', postcode: '100-0001' } }, { ...cart, lines: [] }];
    const { status, body } = await quotes(carts);
    expect(status).toBe(200);
    const alone = await Promise.all(
      carts.map(async (one) => (await call<QuoteBody>(address, 'POST', '/api/quote', { body: one })).body),
    );
    expect(body.quotes).toEqual(alone.map((quote) => ({ quote, problem: null })));
  });
  test('one that cannot be quoted says why, and leaves the others alone', async () => {
    const { body } = await quotes([cart, { ...cart, lines: [{ product: 'none', quantity: 1 }] }, cart]);
    expect(body.quotes.map(({ quote }) => quote !== null)).toEqual([true, false, true]);
    expect(body.quotes[1]!.problem).toMatchObject({ status: 422, fields: [{ pointer: '/lines/0/product' }] });
  });
  test('wait for a carrier that is silent together, and say so each', async () => {
    const waiting = { ...cart, destination: { country: 'NL', postcode: '8893 AB' } };
    await call(address, 'PUT', '/api/stand-ins/carrier', { body: { mode: 'failing' } });
    const { body } = await quotes(Array.from({ length: 40 }, () => waiting));
    await call(address, 'PUT', '/api/stand-ins/carrier', { body: { mode: 'works' } });
    const silent = body.quotes.map(({ quote }) => quote?.carriersSilent);
    expect(silent).toEqual(Array.from({ length: 40 }, () => ['island-air']));
  });
  test('are a hundred at most, and each is what a quote takes', async () => {
    expect((await quotes(Array.from({ length: 100 }, () => cart))).body.quotes).toHaveLength(100);
    for (const [carts, at] of [
      [Array.from({ length: 101 }, () => cart), '/carts'],
      [[], '/carts'],
      [[cart, { ...cart, colour: 'red' }], '/carts/1/colour'],
    ] as const) {
      const { status, body } = await quotes(carts);
      expect([status, body.fields!.map(({ pointer }) => pointer)]).toEqual([422, [at]]);
    }
  });
});
