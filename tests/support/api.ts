import { Ajv2020 } from 'ajv/dist/2020.js';
import ajvFormats from 'ajv-formats';
import type { Operation } from 'rfc6902';
import { expect } from 'vitest';
import { targetIn } from '../../src/core/offers/target.ts';
import type { Policy } from '../../src/core/policy/types.ts';
import { calls } from '../../src/contract/calls.ts';
import { openApiDocument } from '../../src/contract/openapi.ts';
import type { Draft } from '../../src/contract/shapes/draft.ts';
import type { Problem } from '../../src/contract/shapes/problem.ts';

const ajv = new Ajv2020({ strict: false });
ajvFormats.default(ajv);
ajv.addSchema(openApiDocument, 'openapi');

export interface Reply<T = Record<string, unknown>> {
  status: number;
  etag: string | null;
  type: string;
  body: T;
}

export type ProblemBody = Omit<Problem, 'draft'> & { draft?: Draft };
export type DraftBody = Draft;

/** Calls the application and checks the answer against its OpenAPI document. */
export async function call<T = Record<string, unknown>>(
  address: string,
  method: string,
  path: string,
  options: { body?: unknown; raw?: string; headers?: Record<string, string> } = {},
): Promise<Reply<T>> {
  await turnsOfTheLoop();
  const raw = options.raw ?? (options.body === undefined ? undefined : JSON.stringify(options.body));
  const response = await fetch(address + path, {
    method,
    headers: { ...(raw === undefined ? {} : { 'content-type': 'application/json' }), ...options.headers },
    ...(raw === undefined ? {} : { body: raw }),
  });
  const text = await response.text();
  const type = (response.headers.get('content-type') ?? '').split(';')[0]!;
  const body = (text ? JSON.parse(text) : null) as T;
  conformsToOpenApi(method, path, response.status, type, body);
  return { status: response.status, etag: response.headers.get('etag'), type, body };
}

/**
 * A kept connection that the other side has closed while this process was busy, with an answer of 10 MB or so, is not written to
 * again once that has been heard: in the second turn of the event loop at the latest.
 */
async function turnsOfTheLoop(): Promise<void> {
  for (let turn = 0; turn < 2; turn++) await new Promise<void>((resolve) => setImmediate(resolve));
}

/** Calls as patterns of their paths: those with fewer open parts first. */
const patterns = Object.keys(calls)
  .map((name) => {
    const [method, path] = name.split(' ') as [string, string];
    return { method, path, pattern: new RegExp(`^${path.replaceAll('.', '\\.').replace(/\{\w+\}/g, '[^/]+')}$`) };
  })
  .sort((a, b) => a.path.split('{').length - b.path.split('{').length);

/** The path of the call that a request is one of, as the document writes it; undefined for none. */
const templateOf = (method: string, path: string): string | undefined =>
  patterns.find((call) => call.method === method && call.pattern.test(path.split('?')[0]!))?.path;

function conformsToOpenApi(method: string, path: string, status: number, type: string, body: unknown): void {
  const template = templateOf(method, path);
  if (!template) return expect([404, 405], `${method} ${path} is not described`).toContain(status);
  const { responses } = openApiDocument.paths[template]![method.toLowerCase()] as {
    responses: Record<string, { content?: Record<string, unknown> }>;
  };
  const described = responses[String(status)];
  expect(described, `${method} ${template} answered ${status}, which is not described`).toBeDefined();
  if (!described!.content) return;
  expect(Object.keys(described!.content)).toContain(type);
  const pointer = `openapi#/paths/${template.replaceAll('~', '~0').replaceAll('/', '~1').replaceAll('{', '%7B').replaceAll('}', '%7D')}/${method.toLowerCase()}/responses/${status}/content/${type.replace('/', '~1').replace('+', '%2B')}/schema`;
  const validate = ajv.getSchema(pointer)!;
  expect(validate(body), JSON.stringify(validate.errors)).toBe(true);
}

export const readDraft = async (address: string): Promise<DraftBody> =>
  (await call<DraftBody>(address, 'GET', '/api/draft')).body;

export const etagOf = (revision: number): string => `"draft-${revision}"`;

export function patchDraft<T = DraftBody>(address: string, revision: number, patch: Operation[]): Promise<Reply<T>> {
  return call<T>(address, 'PATCH', '/api/draft', {
    body: patch,
    headers: { 'if-match': etagOf(revision), 'content-type': 'application/json-patch+json' },
  });
}

export const goalPath = (market: string): string => `/offers/free-delivery/goals/first/targets/${market}/exact`;

export const setGoal = (market: string, minor: unknown): Operation[] => [
  { op: 'replace', path: goalPath(market), value: minor },
];

export const goalOf = (policy: Policy, market: string): number | undefined =>
  targetIn(policy, 'free-delivery', 'first', market) ?? undefined;
