import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, problem } from '../call.ts';
import { list, object, text, whole, written as json } from '../shape.ts';
import { CarrierReplyShape, CarrierTestShape } from '../shapes/carrier.ts';
import { QuoteRequestShape, QuoteShape } from '../shapes/quote.ts';

const standIn = { params: { name: text } };
const mode = object({ mode: text, modes: list(text) });
const written = {
  400: problem('not JSON'),
  403: problem('sent by another site'),
  413: problem('too large'),
  415: problem('not JSON by its content type'),
  503: databaseAway,
};

export const quoteCalls = defineCalls({
  'POST /api/quote': {
    summary: 'What a cart is offered and told under the current release',
    body: { schema: QuoteRequestShape, most: 64 * 1024 },
    answers: {
      200: answer('the quote', QuoteShape),
      400: problem('not JSON'),
      409: problem('nothing has been released yet'),
      413: problem('too large'),
      415: problem('not JSON by its content type'),
      422: problem('malformed, or products are unknown'),
      503: databaseAway,
    },
  },
});

export const otherCalls = defineCalls({
  'GET /api/regions': {
    summary: 'Regions of a country by ISO 3166-2',
    query: object({ country: Type.String({ pattern: '^[A-Z]{2}$' }) }),
    answers: {
      200: answer('by name', object({ regions: list(object({ code: text, name: text })) })),
      422: problem('not a country’s code'),
    },
  },
  'GET /api/stand-ins/{name}': {
    summary: 'How a simulated outside service behaves',
    ...standIn,
    answers: { 200: answer('its mode', mode), 404: problem('no such stand-in'), 503: databaseAway },
  },
  'PUT /api/stand-ins/{name}': {
    summary: 'Makes it behave otherwise',
    ...standIn,
    body: { schema: object({ mode: Type.String({ maxLength: 40 }) }), most: 1024 },
    answers: {
      200: answer('its mode', mode),
      ...written,
      404: problem('no such stand-in'),
      422: problem('it cannot do that'),
    },
  },
  'POST /api/carriers/test': {
    summary: 'Asks a carrier as a quote would, and tells all of it',
    body: { schema: CarrierTestShape, most: 4096 },
    answers: {
      200: answer('request, answer and what they come to', CarrierReplyShape),
      ...written,
      422: problem('malformed, or no such market'),
    },
  },
  'POST /api/demo': {
    summary: 'Loads the demo store into an empty installation',
    answers: {
      201: answer('loaded', object({ loaded: Type.Literal(true) })),
      409: problem('the store is not empty'),
      503: databaseAway,
    },
  },
  'GET /openapi.json': {
    summary: 'This document',
    answers: { 200: answer('OpenAPI 3.1', json<object>({ type: 'object', required: ['openapi', 'paths'] })) },
  },
  'GET /healthz': {
    summary: 'The process answers',
    answers: {
      200: answer('it does', object({ status: Type.Literal('ok'), carriers: object({ asked: whole, silent: whole }) })),
    },
  },
  'GET /readyz': {
    summary: 'Database and schema are ready',
    answers: {
      200: answer('they are', object({ status: Type.Literal('ok'), database: Type.Literal('ok'), migrations: whole })),
      503: problem('they are not'),
    },
  },
});
