import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, problem } from '../call.ts';
import { HealthShape } from '../shapes/health.ts';
import { list, object, text, whole, written } from '../shape.ts';

export const systemCalls = defineCalls({
  'GET /api/regions': {
    needs: 'look',
    summary: 'Regions of a country by ISO 3166-2',
    query: object({ country: Type.String({ pattern: '^[A-Z]{2}$' }) }),
    answers: {
      200: answer('by name', object({ regions: list(object({ code: text, name: text })) })),
      422: problem('not a country’s code'),
    },
  },
  'POST /api/demo': {
    needs: 'own',
    summary: 'Loads the demo store into an empty installation',
    answers: {
      201: answer('loaded', object({ loaded: Type.Literal(true) })),
      409: problem('the store is not empty'),
      503: databaseAway,
    },
  },
  'GET /openapi.json': {
    needs: 'anyone',
    summary: 'This document',
    answers: { 200: answer('OpenAPI 3.1', written<object>({ type: 'object', required: ['openapi', 'paths'] })) },
  },
  'GET /api/health': {
    needs: 'own',
    summary: 'How imports, calls to receivers, feeds, carriers and stand-ins are doing',
    answers: { 200: answer('figures', HealthShape), 503: databaseAway },
  },
  'GET /healthz': {
    needs: 'anyone',
    summary: 'The process answers',
    answers: {
      200: answer('it does', object({ status: Type.Literal('ok') })),
    },
  },
  'GET /readyz': {
    needs: 'anyone',
    summary: 'Database, schema and release are ready',
    answers: {
      200: answer('they are', object({ status: Type.Literal('ok'), database: Type.Literal('ok'), migrations: whole })),
      503: problem('they are not'),
    },
  },
});
