import type { Static, TSchema } from '@sinclair/typebox';
import type { CallShape } from './call.ts';
import { auditCalls } from './calls/audit.ts';
import { accountCalls } from './calls/accounts.ts';
import { carrierCalls } from './calls/carriers.ts';
import { choiceCalls } from './calls/choices.ts';
import { draftCalls } from './calls/draft.ts';
import { importCalls } from './calls/imports.ts';
import { keyCalls } from './calls/keys.ts';
import { orderCalls } from './calls/orders.ts';
import { placedOrderCalls } from './calls/placed-orders.ts';
import { pictureCalls } from './calls/pictures.ts';
import { productCalls } from './calls/products.ts';
import { quoteCalls } from './calls/quote.ts';
import { togetherCalls } from './calls/together.ts';
import { whereCalls } from './calls/where.ts';
import { rateCalls } from './calls/rates.ts';
import { receiverCalls } from './calls/receivers.ts';
import { releaseCalls } from './calls/releases.ts';
import { standInCalls } from './calls/stand-ins.ts';
import { surfaceCalls } from './calls/surfaces.ts';
import { systemCalls } from './calls/system.ts';

/** Every call there is, by method and path. Endpoints, client, tests and the OpenAPI document derive from it. */
export const calls = {
  ...quoteCalls,
  ...whereCalls,
  ...draftCalls,
  ...releaseCalls,
  ...pictureCalls,
  ...productCalls,
  ...orderCalls,
  ...placedOrderCalls,
  ...importCalls,
  ...rateCalls,
  ...keyCalls,
  ...carrierCalls,
  ...receiverCalls,
  ...standInCalls,
  ...surfaceCalls,
  ...accountCalls,
  ...choiceCalls,
  ...auditCalls,
  ...togetherCalls,
  ...systemCalls,
};

export type Calls = typeof calls;
/** Method and path, such as `PATCH /api/draft`. */
export type CallName = keyof Calls;

type Success = 200 | 201 | 202;
type SchemaOf<T> = T extends { schema: infer S extends TSchema } ? Static<S> : never;

/** What a call answers when it has done what it was asked. */
export type AnswerTo<N extends CallName> = {
  [Status in keyof Calls[N]['answers']]: Status extends Success | `${Success}`
    ? SchemaOf<Calls[N]['answers'][Status]>
    : never;
}[keyof Calls[N]['answers']];

export type BodyOf<N extends CallName> = Calls[N] extends { body: { schema: infer S extends TSchema } }
  ? Static<S>
  : undefined;

export type QueryOf<N extends CallName> = Calls[N] extends { query: infer S extends TSchema }
  ? Static<S>
  : Record<never, string>;

export type ParamsOf<N extends CallName> = Calls[N] extends { params: infer P }
  ? Record<keyof P & string, string>
  : object;

/** A call by its name. */
export const callNamed = (name: CallName): CallShape => calls[name];
