import { expect } from 'vitest';
import type { ImportRun } from '../../src/contract/shapes/import.ts';
import { guessMapping, type ImportMapping } from '../../src/core/imports/mapping.ts';
import type { ImportKind } from '../../src/core/imports/fields.ts';
import { call, type Reply } from './api.ts';

/** An import as the calls for one import tell it. */
type RunBody = Required<ImportRun>;

/** Announces a file under the mapping that would be guessed for it. */
export async function announce(
  address: string,
  text: string,
  change: Partial<ImportMapping> = {},
  kind: ImportKind = 'orders',
): Promise<RunBody> {
  const bytes = new TextEncoder().encode(text);
  const { mapping, sample } = guessMapping(kind, bytes.subarray(0, 200_000), bytes.length <= 200_000);
  const begun = await call<RunBody>(address, 'POST', '/api/imports', {
    body: {
      fileName: 'orders.csv',
      fileBytes: bytes.length,
      heading: sample.heading,
      mapping: { ...mapping, ...change },
    },
  });
  expect(begun.status, JSON.stringify(begun.body)).toBe(201);
  return begun.body;
}

export function sendFile(address: string, id: number, body: string | Uint8Array): Promise<Reply<RunBody>> {
  return call<RunBody>(address, 'PUT', `/api/imports/${id}/file`, {
    raw: body as string,
    headers: { 'content-type': 'text/csv' },
  });
}

/** Reads a file and says what importing it would do. */
export async function check(
  address: string,
  text: string,
  change: Partial<ImportMapping> = {},
  kind: ImportKind = 'orders',
): Promise<RunBody> {
  const { id } = await announce(address, text, change, kind);
  const sent = await sendFile(address, id, text);
  expect(sent.status, JSON.stringify(sent.body)).toBe(200);
  return sent.body;
}

export async function runOf(address: string, id: number): Promise<RunBody> {
  return (await call<RunBody>(address, 'GET', `/api/imports/${id}`)).body;
}

export async function apply(address: string, id: number): Promise<RunBody> {
  expect((await call(address, 'POST', `/api/imports/${id}/apply`, { body: {} })).status).toBe(202);
  await expect
    .poll(() => runOf(address, id).then(({ state }) => state), { timeout: 120_000, interval: 50 })
    .toMatch(/done|cancelled|failed/);
  return runOf(address, id);
}
