import { Ajv2020, type ValidateFunction } from 'ajv/dist/2020.js';
import { faultOf } from '../../core/policy/validate.ts';
import { ProblemError, type ProblemField } from './problem.ts';

const ajv = new Ajv2020({ allErrors: true, strict: true, strictTypes: false, strictRequired: false, discriminator: true });

/** Compiles a body's schema once. */
export function bodySchema<T>(schema: object): ValidateFunction<T> {
  return ajv.compile<T>(schema);
}

const maxDepth = 24;

/**
 * Reads and checks a JSON body. @param maxBytes larger ones are refused with 413 without being read to the end
 * @throws ProblemError 413, 415, 400 (not JSON, too deep) or 422 (not what the schema asks for)
 */
export async function readBody<T>(request: Request, validate: ValidateFunction<T>, maxBytes: number, types: readonly string[] = ['application/json']): Promise<T> {
  const type = (request.headers.get('content-type') ?? '').split(';')[0]!.trim().toLowerCase();
  if (!types.includes(type)) throw new ProblemError({ status: 415, title: 'This content type is not accepted', detail: `Send the body as ${types.join(' or ')}. Nothing was changed.` });
  const text = await readText(request, maxBytes);
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    throw new ProblemError({ status: 400, title: 'The body is not JSON', detail: 'It could not be read. Nothing was changed. Check quotes, commas and brackets.' });
  }
  if (deeperThan(body, maxDepth)) throw new ProblemError({ status: 400, title: 'The body is nested too deeply', detail: `At most ${maxDepth} levels are read. Nothing was changed.` });
  if (!validate(body)) {
    const fields: ProblemField[] = (validate.errors ?? []).slice(0, 20).map(faultOf);
    throw new ProblemError({ status: 422, title: 'The body is not what this call takes', detail: 'Nothing was changed. The fields named are wrong or missing.', fields });
  }
  return body;
}

/** Reads and checks the query of an address; every value is text. @throws ProblemError 422 */
export function readQuery<T>(url: URL, validate: ValidateFunction<T>): T {
  const query: unknown = Object.fromEntries(url.searchParams);
  if (!validate(query)) {
    const fields: ProblemField[] = (validate.errors ?? []).slice(0, 20).map(faultOf);
    throw new ProblemError({ status: 422, title: 'The address does not say what this call takes', detail: 'Nothing was changed. The parts named are wrong or missing.', fields });
  }
  return query;
}

/** Reads a body as text. @throws ProblemError 413 */
export async function readText(request: Request, maxBytes: number): Promise<string> {
  const tooLarge = () => new ProblemError({ status: 413, title: 'The body is too large', detail: `At most ${maxBytes} bytes are read here. Nothing was changed.` });
  if (Number(request.headers.get('content-length') ?? 0) > maxBytes) throw tooLarge();
  if (!request.body) return '';
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of request.body as unknown as AsyncIterable<Uint8Array>) {
    size += chunk.byteLength;
    if (size > maxBytes) throw tooLarge();
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString('utf8');
}

function deeperThan(value: unknown, levels: number): boolean {
  if (typeof value !== 'object' || value === null) return false;
  if (levels === 0) return true;
  return Object.values(value).some((item) => deeperThan(item, levels - 1));
}

/** The revision in an `If-Match` header such as `"draft-17"`. @throws ProblemError 428 when missing, 400 when malformed */
export function matchedRevision(request: Request): number {
  const header = request.headers.get('if-match');
  if (header === null) throw new ProblemError({ status: 428, title: 'If-Match is missing', detail: 'Send the ETag of the draft this edit was made on. Nothing was changed.' });
  const match = /^"draft-(\d{1,15})"$/.exec(header.trim());
  if (!match) throw new ProblemError({ status: 400, title: 'If-Match is not an ETag of the draft', detail: 'It looks like "draft-17". Nothing was changed.' });
  return Number(match[1]);
}

export const draftEtag = (revision: number): string => `"draft-${revision}"`;
