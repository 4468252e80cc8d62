import { Ajv2020, type ValidateFunction } from 'ajv/dist/2020.js';
import { schemaSettings } from '../../core/schema/settings.ts';
import { faultOf } from '../../core/checks/schema-fault.ts';
import { revisionOfEtag } from '../../contract/etag.ts';
import type { ProblemField } from '../../contract/shapes/problem.ts';
import { ProblemError } from './problem.ts';

/** Stops at the first fault, so that a hostile body costs no more than reading it. */
const first = new Ajv2020({ ...schemaSettings, allErrors: false });
const every = new Ajv2020({ ...schemaSettings, allErrors: true });
/** Bodies up to this size are looked through to their end, so that all their faults are named. Bytes */
const lookedThrough = 32 * 1024;

/** A body's schema, compiled once. */
export interface BodySchema<T> {
  (body: unknown): body is T;
  /** what is wrong with a body that does not fit @param size of the body in bytes */
  faults: (body: unknown, size: number) => ProblemField[];
}

/** Compiles a body's schema once. */
export function bodySchema<T>(schema: object): BodySchema<T> {
  const fits = first.compile<T>(schema);
  let thorough: ValidateFunction<T> | null = null;
  const faults = (body: unknown, size: number): ProblemField[] => {
    const validate = size <= lookedThrough ? (thorough ??= every.compile<T>(schema)) : fits;
    validate(body);
    return (validate.errors ?? []).slice(0, 20).map(faultOf);
  };
  return Object.assign((body: unknown): body is T => fits(body), { faults });
}

const maxDepth = 24;

/**
 * Reads and checks a JSON body. @param maxBytes larger ones are refused with 413 without being read to the end
 * @throws ProblemError 413, 415, 400 (not JSON, too deep, half characters), 408 (too slow) or 422 (not what the schema asks for)
 */
export async function readBody<T>(
  request: Request,
  validate: BodySchema<T>,
  maxBytes: number,
  types: readonly string[] = ['application/json'],
): Promise<T> {
  const type = (request.headers.get('content-type') ?? '').split(';')[0]!.trim().toLowerCase();
  if (!types.includes(type))
    throw new ProblemError({
      status: 415,
      title: 'This content type is not accepted',
      detail: `Send the body as ${types.join(' or ')}. Nothing was changed.`,
    });
  return checkedJson(await readText(request, maxBytes), validate);
}

/** Reads and checks JSON. @throws ProblemError 400 (not JSON, too deep, half characters) or 422 (not what the schema asks for) */
export function checkedJson<T>(text: string, validate: BodySchema<T>): T {
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    throw new ProblemError({
      status: 400,
      title: 'The body is not JSON',
      detail: 'It could not be read. Nothing was changed. Check quotes, commas and brackets.',
    });
  }
  if (deeperThan(body, maxDepth))
    throw new ProblemError({
      status: 400,
      title: 'The body is nested too deeply',
      detail: `At most ${maxDepth} levels are read. Nothing was changed.`,
    });
  // Looked for only where the text has something of the kind: half of a pair of surrogates, or a name that all objects have.
  if (/\\u[dD][89a-fA-F]|\\u00[57][fF0]|__proto__/.test(text) && !isPlain(body))
    throw new ProblemError({
      status: 400,
      title: 'The body holds what is no text',
      detail: 'A text is half of a character, or an entry is called __proto__. Nothing was changed.',
    });
  if (!validate(body)) {
    const fields = validate.faults(body, text.length);
    throw new ProblemError({
      status: 422,
      title: 'The body is not what this call takes',
      detail: 'Nothing was changed. The fields named are wrong or missing.',
      fields,
    });
  }
  return body;
}

/** Reads and checks the query of an address; every value is text. @throws ProblemError 422 */
export function readQuery<T>(url: URL, validate: BodySchema<T>): T {
  const query: unknown = Object.fromEntries([...url.searchParams].filter(([name]) => name !== '__proto__'));
  if (!validate(query)) {
    const fields = validate.faults(query, url.search.length);
    throw new ProblemError({
      status: 422,
      title: 'The address does not say what this call takes',
      detail: 'Nothing was changed. The parts named are wrong or missing.',
      fields,
    });
  }
  return query;
}

/** How long a body may take to come. ms */
const slowest = 60_000;

/** Reads a body as text. @throws ProblemError 413, 408 when it takes too long */
export const readText = async (request: Request, maxBytes: number): Promise<string> =>
  (await readBytes(request, maxBytes)).toString('utf8');

/** Reads a body as it is. @throws ProblemError 413, 408 when it takes too long */
export async function readBytes(request: Request, maxBytes: number): Promise<Buffer> {
  const tooLarge = () =>
    new ProblemError({
      status: 413,
      title: 'The body is too large',
      detail: `At most ${maxBytes} bytes are read here. Nothing was changed.`,
    });
  if (Number(request.headers.get('content-length') ?? 0) > maxBytes) throw tooLarge();
  if (!request.body) return Buffer.alloc(0);
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of inTime(request.body as unknown as AsyncIterable<Uint8Array>, slowest)) {
    size += chunk.byteLength;
    if (size > maxBytes) throw tooLarge();
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}

/** A body's chunks as long as they come in time. @throws ProblemError 408 */
async function* inTime(body: AsyncIterable<Uint8Array>, ms: number): AsyncGenerator<Uint8Array> {
  const until = Date.now() + ms;
  const chunks = body[Symbol.asyncIterator]();
  for (;;) {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const late = new Promise<never>((_, reject) => {
      timer = setTimeout(
        () =>
          reject(
            new ProblemError({
              status: 408,
              title: 'The body took too long',
              detail: `It is waited for ${ms / 1000} s. Nothing was changed. Send it again.`,
            }),
          ),
        Math.max(0, until - Date.now()),
      );
    });
    try {
      const next = await Promise.race([chunks.next(), late]);
      if (next.done) return;
      yield next.value;
    } finally {
      clearTimeout(timer);
    }
  }
}

/** One of a pair of surrogates without the other. */
const halfCharacter = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;

/** Whether all texts are whole characters and nothing is called like what every object has. */
function isPlain(value: unknown): boolean {
  if (typeof value === 'string') return !halfCharacter.test(value);
  if (typeof value !== 'object' || value === null) return true;
  return Object.entries(value).every(([key, part]) => key !== '__proto__' && !halfCharacter.test(key) && isPlain(part));
}

function deeperThan(value: unknown, levels: number): boolean {
  if (typeof value !== 'object' || value === null) return false;
  if (levels === 0) return true;
  return Object.values(value).some((item) => deeperThan(item, levels - 1));
}

/** The revision in an `If-Match` header such as `"draft-17"`. @throws ProblemError 428 when missing, 400 when malformed */
export function matchedRevision(request: Request): number {
  const header = request.headers.get('if-match');
  if (header === null)
    throw new ProblemError({
      status: 428,
      title: 'If-Match is missing',
      detail: 'Send the ETag of the draft this edit was made on. Nothing was changed.',
    });
  const revision = revisionOfEtag(header);
  if (revision === null)
    throw new ProblemError({
      status: 400,
      title: 'If-Match is not an ETag of the draft',
      detail: 'It looks like "draft-17". Nothing was changed.',
    });
  return revision;
}
