import { createHash } from 'node:crypto';
import { createConnection } from 'mysql2/promise';
import { expect, test } from 'vitest';
import { address, databaseUrl } from '../support/server-here.ts';

const current = async () => (await (await fetch(`${address}/element/current.json`)).json()) as Record<string, string>;

test('the element is served to every origin under an address that tells its content', async () => {
  const { path, integrity } = await current();
  const answer = await fetch(address + path!);
  const { headers } = answer;
  expect(answer.status).toBe(200);
  expect(headers.get('content-type')).toMatch(/^text\/javascript/);
  expect(headers.get('access-control-allow-origin')).toBe('*');
  expect(headers.get('cross-origin-resource-policy')).toBe('cross-origin');
  expect(headers.get('cache-control')).toContain('immutable');
  const digest = createHash('sha384')
    .update(Buffer.from(await answer.arrayBuffer()))
    .digest('base64');
  expect(integrity).toBe(`sha384-${digest}`);
});

test('a version of an earlier build is found all the same, and none that never was', async () => {
  const { path } = await current();
  const connection = await createConnection({ uri: databaseUrl });
  const kept = async () => {
    const [rows] = await connection.query('SELECT content FROM element_file WHERE version = ?', [path!.split('/')[2]]);
    return (rows as unknown[]).length;
  };
  // The middleware keeps it with the first request.
  await expect.poll(kept).toBe(1);
  await connection.query(
    "REPLACE INTO element_file (version, content, kept_at) VALUES ('abcdef012345', 'export {}', UTC_TIMESTAMP(3))",
  );
  await connection.end();
  const old = await fetch(`${address}/element/abcdef012345/summant-offer.js`);
  expect([old.status, await old.text(), old.headers.get('access-control-allow-origin')]).toEqual([
    200,
    'export {}',
    '*',
  ]);
  expect(old.headers.get('cross-origin-resource-policy')).toBe('cross-origin');
  expect((await fetch(`${address}/element/000000000000/summant-offer.js`)).status).toBe(404);
});
