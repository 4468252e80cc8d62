import type { TSchema } from '@sinclair/typebox';
import { problem, type AnswerShape, type CallShape } from './call.ts';
import { calls } from './calls.ts';
import { components } from './shape.ts';

const text = { type: 'string' };
const ifMatch = {
  name: 'If-Match',
  in: 'header',
  required: true,
  description: 'the ETag of the draft that was seen',
  schema: text,
};
const prefer = {
  name: 'Prefer',
  in: 'header',
  description: '`return=minimal` answers with what has changed since If-Match (RFC 7240)',
  schema: text,
};

function parametersOf({ params, query, ifMatch: asksForEtag, prefer: knowsPreference }: CallShape): object[] {
  const inPath = Object.entries(params ?? {}).map(([name, schema]) => ({ name, in: 'path', required: true, schema }));
  const inQuery = Object.entries<TSchema>(query?.properties ?? {}).map(([name, schema]) => ({
    name,
    in: 'query',
    required: query?.required?.includes(name) ?? false,
    schema,
  }));
  return [...inPath, ...inQuery, ...(asksForEtag ? [ifMatch] : []), ...(knowsPreference ? [prefer] : [])];
}

/** Definitions that bodies rest on, under the names by which they refer to them. */
const definitions: Record<string, unknown> = {};

/**
 * A schema that stands by itself, as a part of the document: what it defines stands among the document's shapes, where every
 * reader of the document finds it.
 */
function partOfDocument(schema: TSchema): unknown {
  const { $id: _, $defs, ...rest } = schema as { $id?: string; $defs?: Record<string, unknown> };
  for (const [name, definition] of Object.entries($defs ?? {})) definitions[name] ??= withPlaces(definition);
  return withPlaces(rest);
}

/** The same with every reference to where what it refers to stands in the document. */
function withPlaces(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withPlaces);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, part]) => [
      key,
      key === '$ref' && typeof part === 'string' ? part.replace('#/$defs/', '#/components/schemas/') : withPlaces(part),
    ]),
  );
}

function bodyOf({ body }: CallShape): object {
  if (!body) return {};
  const content =
    'schema' in body
      ? { [body.types?.[0] ?? 'application/json']: { schema: partOfDocument(body.schema) } }
      : Object.fromEntries(body.types.map((type) => [type, {}]));
  return { requestBody: { required: true, content } };
}

function answerOf({ says, schema, type }: AnswerShape): object {
  if (!schema) return { description: says, ...(type ? { content: { [type]: {} } } : {}) };
  return { description: says, content: { [type ?? 'application/json']: { schema } } };
}

/** How a call that not everybody may make refuses whoever asks. */
const refusalsOf = ({ needs }: CallShape): Record<number, AnswerShape> =>
  needs === 'anyone' ? {} : { 401: problem('nobody is signed in'), 403: problem('this takes somebody who may more') };

/** How one shows who one is: with a key where a shop asks, with a session, or by being at the machine that Summant runs on. */
function securityOf({ needs, shop }: CallShape): object {
  if (needs === 'anyone') return {};
  return { security: [...(shop ? [{ key: [] }] : []), { session: [] }, {}] };
}

function pathsOf(all: Record<string, CallShape>): Record<string, Record<string, object>> {
  const paths: Record<string, Record<string, object>> = {};
  for (const [name, call] of Object.entries(all)) {
    const [method, path] = name.split(' ') as [string, string];
    const parameters = parametersOf(call);
    (paths[path] ??= {})[method.toLowerCase()] = {
      summary: call.summary,
      ...securityOf(call),
      ...(parameters.length > 0 ? { parameters } : {}),
      ...bodyOf(call),
      responses: Object.fromEntries(
        Object.entries({ ...refusalsOf(call), ...call.answers }).map(([status, said]) => [status, answerOf(said)]),
      ),
    };
  }
  return paths;
}

const paths = pathsOf(calls);

/** OpenAPI 3.1 of everything Summant answers, derived from the contract. The tests validate answers against it. */
export const openApiDocument = {
  openapi: '3.1.0',
  info: {
    title: 'Summant',
    version: '1',
    description:
      'Delivery prices and spend goals of a store. The shop calls `POST /api/quote` and what stands under it; the rest is for Summant’s own pages.',
  },
  paths,
  components: {
    schemas: { ...definitions, ...components },
    securitySchemes: {
      key: {
        type: 'http',
        scheme: 'bearer',
        description:
          'a key made at Connections. A publishable key only asks for quotes, from pages of the origins listed for it',
      },
      session: {
        type: 'apiKey',
        in: 'cookie',
        name: '__Host-summant-session',
        description:
          'a session, by signing in. As long as nobody has an account, whoever calls from the machine that Summant runs on needs neither key nor session',
      },
    },
  },
};
