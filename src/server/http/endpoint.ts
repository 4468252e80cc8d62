import type { APIContext, APIRoute } from 'astro';
import {
  callNamed,
  type AnswerTo,
  type BodyOf,
  type CallName,
  type ParamsOf,
  type QueryOf,
} from '../../contract/calls.ts';
import type { CallShape } from '../../contract/call.ts';
import { accessOf, type Asking, type Person } from '../accounts/person.ts';
import { keyNeeded, shopAccess, showsKey } from '../access/shop-access.ts';
import { noteRefusal } from '../audit/refusals.ts';
import { namedBefore, noteDone } from '../audit/noting.ts';
import { answering, isProblem, json, problemResponse, type Problem } from './problem.ts';
import { bodySchema, matchedRevision, readBody, readQuery } from './read-request.ts';

/** What an endpoint is given: everything of the request that its call describes, read and checked. */
export interface Asked<N extends CallName> {
  body: BodyOf<N>;
  query: QueryOf<N>;
  params: ParamsOf<N>;
  /** of the draft that was seen, by If-Match; 0 for calls that ask for none */
  revision: number;
  request: Request;
  /** address of whoever asks; null: it is not known */
  client: () => string | null;
  /** who asks; of calls for anyone, and of those that a shop makes with a key, nobody in particular */
  person: Person;
  /** whether a page asks that shoppers see: what it says, anybody may have written */
  fromPage: boolean;
}

/** A 2xx answer with what its call says it has. */
export interface Reply<N extends CallName> {
  status: 200 | 201 | 202;
  body: AnswerTo<N>;
  headers?: Record<string, string>;
}

/** What an endpoint answers: what the call says, a problem, or a response of its own for what is no JSON. */
export type Outcome<N extends CallName> = Reply<N> | Problem | Response;

export const reply = <N extends CallName>(
  body: AnswerTo<N>,
  headers: Record<string, string> = {},
  status: Reply<N>['status'] = 200,
): Reply<N> => ({ status, body, headers });

/**
 * The endpoint of a call: asks whether whoever makes it may, hands on the parts of the path as they are, reads query,
 * If-Match and body as the contract describes them, refuses what does not fit, and answers whatever goes wrong as a problem.
 * Reached however the address is spelled.
 */
export function endpoint<N extends CallName>(name: N, work: (asked: Asked<N>) => Promise<Outcome<N>>): APIRoute {
  const shape = callNamed(name);
  const { needs, limited, shop, summary } = shape;
  const read = reader(shape);
  const answer = async (context: APIContext, by: AskedBy): Promise<Response> => {
    const asked = (await read(context, by)) as Asked<N>;
    const named = await namedBefore(name, asked);
    const outcome = await work(asked);
    const { body, params, client } = asked;
    // What shops ask is too much to be kept, and has no person behind it.
    if (by.person !== shopItself)
      await noteDone(name, { body, params, person: by.person.name || null, address: client() }, named, outcome);
    if (!(outcome instanceof Response) && isProblem(outcome) && outcome.status === mayNot)
      await noteRefusal(by.person, client(), summary);
    if (outcome instanceof Response) return outcome;
    if (isProblem(outcome)) return problemResponse(outcome);
    return json(outcome.body, { status: outcome.status, ...(outcome.headers ? { headers: outcome.headers } : {}) });
  };
  const byPerson = async (context: APIContext): Promise<Response> => {
    const { person, refused } = await accessOf({ needs, limited: limited ?? false }, askingOf(context));
    if (refused?.status === mayNot && person) await noteRefusal(person, clientOf(context), summary);
    if (refused) return problemResponse(shop && refused.status === 401 ? keyNeeded : refused);
    return answer(context, { person: person ?? nobodyYet, fromPage: false });
  };
  if (!shop) return (context) => answering(() => byPerson(context));
  return (context) =>
    answering(async () => {
      if (!showsKey(context.request)) return byPerson(context);
      const { refused, key, headers } = await shopAccess(shop, context.request, clientOf(context));
      const byShop = { person: shopItself, fromPage: key === 'publishable' };
      const response = refused ?? (await answering(() => answer(context, byShop)));
      for (const [header, value] of Object.entries(headers)) response.headers.set(header, value);
      return response;
    });
}

/** Somebody who is known may not. */
const mayNot = 403;

type AskedBy = Pick<Asked<CallName>, 'person' | 'fromPage'>;

const shopItself: Person = { name: 'a shop', role: 'look', markets: null, signedIn: null };
/** Asks for what anyone may, such as to sign in. */
const nobodyYet: Person = { ...shopItself, name: '' };

const clientOf = ({ locals: { client } }: Pick<APIContext, 'locals'>): string | null => client?.() ?? null;
/** Without a server that says so, as when developing, this machine asks. */
const isLocal = ({ locals }: Pick<APIContext, 'locals'>): boolean => locals.isLocal?.() ?? true;

/** As it is asked whether somebody may. */
export const askingOf = (context: Pick<APIContext, 'locals' | 'request'>): Asking => ({
  request: context.request,
  local: isLocal(context),
  client: () => clientOf(context),
});

/** Prepares the reading of a call's request once. */
function reader({ query, body, ifMatch }: CallShape): (context: APIContext, by: AskedBy) => Promise<Asked<CallName>> {
  const ofQuery = query ? bodySchema(query) : null;
  const ofBody = body && 'schema' in body ? bodySchema(body.schema) : null;
  const [most, types] = body && 'schema' in body ? [body.most, body.types ?? []] : [0, []];
  return async ({ request, url, params, locals }, by) => {
    const revision = ifMatch ? matchedRevision(request) : 0;
    const client = locals.client ?? (() => null);
    const asked: Record<string, unknown> = { request, params, revision, client, ...by, query: {}, body: undefined };
    if (ofQuery) asked.query = readQuery(url, ofQuery);
    if (ofBody) asked.body = await readBody(request, ofBody, most, [...types, 'application/json']);
    return asked as unknown as Asked<CallName>;
  };
}
