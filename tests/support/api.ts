import { Ajv2020 } from 'ajv/dist/2020.js';
import ajvFormats from 'ajv-formats';
import type { Operation } from 'rfc6902';
import { expect } from 'vitest';
import { targetIn } from '../../src/core/offers/target.ts';
import type { Policy } from '../../src/core/policy/types.ts';
import { openApiDocument } from '../../src/server/openapi/document.ts';

const ajv = new Ajv2020({ strict: false });
ajvFormats.default(ajv);
ajv.addSchema(openApiDocument, 'openapi');

export interface Reply<T = Record<string, unknown>> {
  status: number;
  etag: string | null;
  type: string;
  body: T;
}

export interface ProblemBody {
  title: string;
  detail: string;
  fields?: { pointer: string; message: string }[];
  draft?: DraftBody;
}

export interface DraftBody {
  revision: number;
  policy: Policy;
  canUndo: string | null;
  canRedo: string | null;
}

/** Calls the application and checks the answer against its OpenAPI document. */
export async function call<T = Record<string, unknown>>(
  address: string,
  method: string,
  path: string,
  options: { body?: unknown; raw?: string; headers?: Record<string, string> } = {},
): Promise<Reply<T>> {
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

function conformsToOpenApi(method: string, path: string, status: number, type: string, body: unknown): void {
  const template = path
    .split('?')[0]!
    .replace(/\/releases\/[^/]+/, '/releases/{number}')
    .replace(/\/imports\/\d+/, '/imports/{id}')
    .replace(/\/stand-ins\/[^/]+/, '/stand-ins/{name}');
  const operation = (
    openApiDocument.paths as Record<
      string,
      Record<string, { responses: Record<string, { content?: Record<string, unknown> }> }>
    >
  )[template]?.[method.toLowerCase()];
  if (!operation) return;
  const described = operation.responses[String(status)];
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
