import { randomBytes } from 'node:crypto';
import mysql, { type RowDataPacket } from 'mysql2/promise';
import { afterEach, expect, inject, test } from 'vitest';
import { call } from '../support/api.ts';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';

let application: Application | null = null;
afterEach(async () => {
  await application?.stop();
});

test('secrets are kept sealed where there is a key, those from before too; without it the start says so', async () => {
  const url = await freshDatabase(inject('databaseServerUrl'), 'summant_sealed');
  const start = (more: Record<string, string> = {}) =>
    startApplication({ DATABASE_URL: url, SUMMANT_LOG: 'silent', SUMMANT_SECRET_KEY: '', ...more });
  const stored = async (): Promise<Buffer[]> => {
    const connection = await mysql.createConnection(url);
    const [rows] = await connection.query<RowDataPacket[]>(
      'SELECT secret FROM signing_secret UNION ALL SELECT secret FROM receiver UNION ALL SELECT secret FROM carrier_service',
    );
    await connection.end();
    return rows.map((row) => row.secret as Buffer);
  };
  const made: Buffer[] = [];
  const makeAll = async (address: string, name: string) => {
    const signing = await call<{ secret: string }>(address, 'POST', '/api/signing-secrets');
    const receiver = await call<{ secret: string }>(address, 'POST', '/api/receivers', {
      body: { address: `https://${name}.example.com/told` },
    });
    const secret = `only-for-${name}`;
    const body = { address: 'https://carrier.example.com/', secret, timeoutMs: 500, keepMinutes: 0 };
    expect((await call(address, 'PUT', `/api/carriers/${name}`, { body })).status).toBe(200);
    expect([signing.status, receiver.status]).toEqual([201, 201]);
    made.push(Buffer.from(signing.body.secret, 'hex'), Buffer.from(receiver.body.secret, 'hex'), Buffer.from(secret));
  };
  const cart = {
    lines: [{ product: 'tidewing-16', quantity: 1 }],
    destination: { country: 'NL', postcode: '1799 ZA' },
  };
  const sign = async (address: string) =>
    (await call<{ signed: unknown }>(address, 'POST', '/api/quote', { body: { ...cart, sign: { minutes: 60 } } })).body;
  const verdict = async (address: string, quote: unknown) =>
    (await call<{ verdict?: string }>(address, 'POST', '/api/quotes/verify', { body: quote })).body;

  application = await start();
  await makeAll(application.address, 'before');
  const quote = await sign(application.address);
  const verified = await verdict(application.address, quote);
  expect((await stored()).some((secret) => made.some((one) => one.equals(secret)))).toBe(true);
  await application.stop();

  const key = randomBytes(32).toString('hex');
  application = await start({ SUMMANT_SECRET_KEY: key });
  await makeAll(application.address, 'after');
  const sealed = await stored();
  expect(sealed.length).toBeGreaterThanOrEqual(made.length);
  for (const secret of sealed) for (const one of made) expect(secret.includes(one)).toBe(false);
  // What was signed before they were sealed is still known.
  expect(await verdict(application.address, quote)).toEqual(verified);
  await application.stop();
  application = null;

  await expect(start()).rejects.toThrow('SUMMANT_SECRET_KEY is not set');
  await expect(start({ SUMMANT_SECRET_KEY: randomBytes(32).toString('hex') })).rejects.toThrow(
    'another SUMMANT_SECRET_KEY',
  );
  await expect(start({ SUMMANT_SECRET_KEY: 'short' })).rejects.toThrow('64 hexadecimal digits');
  expect(await stored()).toEqual(sealed);
});
