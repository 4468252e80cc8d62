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
import { keyNeeded, shopAccess, showsKey, type ShopAccess } from '../access/shop-access.ts';
import { noteRefusal } from '../audit/refusals.ts';
import { isAudited, namedBefore, noteDone } from '../audit/noting.ts';
import { andThen, type Soon } from '../soon.ts';
import { answerTo, isProblem, json, problemResponse, type Problem } from './problem.ts';
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
export function endpoint<N extends CallName>(name: N, work: (asked: Asked<N>) => Soon<Outcome<N>>): APIRoute {
  const shape = callNamed(name);
  const { shop, summary } = shape;
  const read = reader(shape);
  const readsBody = bodyReader(shape);
  const isNoted = isAudited(name);
  const answer = async (context: APIContext, by: AskedBy): Promise<Response> => {
    const asked = read(context, by) as Asked<N>;
    if (readsBody) asked.body = (await readsBody(context.request)) as BodyOf<N>;
    const named = isNoted ? await namedBefore(name, asked) : '';
    const working = work(asked);
    const outcome = working instanceof Promise ? await working : working;
    const { body, params, client } = asked;
    // What shops ask is too much to be kept, and has no person behind it.
    if (isNoted && by.person !== shopItself)
      await noteDone(name, { body, params, person: by.person.name || null, address: client() }, named, outcome);
    if (!(outcome instanceof Response) && isProblem(outcome) && outcome.status === mayNot)
      await noteRefusal(by.person, client(), summary);
    return responseOf(outcome);
  };
  return async (context) => {
    let headers: Record<string, string> = {};
    try {
      const admitting =
        shop && showsKey(context.request)
          ? andThen(
              shopAccess(shop, context.request, () => clientOf(context)),
              asShop,
            )
          : asPerson(shape, context);
      const admitted = admitting instanceof Promise ? await admitting : admitting;
      ({ headers } = admitted);
      return withHeaders(admitted.refused ?? (await answer(context, admitted.by)), headers);
    } catch (error) {
      return withHeaders(answerTo(error), headers);
    }
  };
}

/** Whether a call may be made, and by whom. */
interface Admitted {
  /** null: it may */
  refused: Response | null;
  by: AskedBy;
  /** that its answer carries */
  headers: Record<string, string>;
}

const asShop = ({ refused, key, headers }: ShopAccess): Admitted => ({
  refused,
  by: { person: shopItself, fromPage: key === 'publishable' },
  headers,
});

async function asPerson({ needs, limited, shop, summary }: CallShape, context: APIContext): Promise<Admitted> {
  const { person, refused } = await accessOf({ needs, limited: limited ?? false }, askingOf(context));
  if (refused?.status === mayNot && person) await noteRefusal(person, clientOf(context), summary);
  return {
    refused: refused && problemResponse(shop && refused.status === 401 ? keyNeeded : refused),
    by: { person: person ?? nobodyYet, fromPage: false },
    headers: {},
  };
}

function withHeaders(response: Response, headers: Record<string, string>): Response {
  for (const [name, value] of Object.entries(headers)) response.headers.set(name, value);
  return response;
}

function responseOf<N extends CallName>(outcome: Outcome<N>): Response {
  if (outcome instanceof Response) return outcome;
  if (isProblem(outcome)) return problemResponse(outcome);
  return json(outcome.body, { status: outcome.status, ...(outcome.headers ? { headers: outcome.headers } : {}) });
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

/** Prepares once what is read of a call's request before its body. */
function reader({ query, ifMatch }: CallShape): (context: APIContext, by: AskedBy) => Asked<CallName> {
  const ofQuery = query ? bodySchema(query) : null;
  return ({ request, url, params, locals }, { person, fromPage }) => {
    const revision = ifMatch ? matchedRevision(request) : 0;
    const client = locals.client ?? (() => null);
    const asked = { request, params, revision, client, person, fromPage, body: undefined };
    return { ...asked, query: ofQuery ? readQuery(url, ofQuery) : {} } as unknown as Asked<CallName>;
  };
}

/** Null: the call has no body that is read here. */
function bodyReader({ body }: CallShape): ((request: Request) => Promise<unknown>) | null {
  if (!body || !('schema' in body)) return null;
  const { most, types = [] } = body;
  const ofBody = bodySchema(body.schema);
  const accepted = [...types, 'application/json'];
  return (request) => readBody(request, ofBody, most, accepted);
}
