import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, problem, writeRefused } from '../call.ts';
import { list, object, text } from '../shape.ts';
import { CarrierReplyShape, CarrierTestShape } from '../shapes/carrier.ts';

const standIn = { params: { name: text } };
const mode = object({ mode: text, modes: list(text) });

export const standInCalls = defineCalls({
  'GET /api/stand-ins/{name}': {
    needs: 'look',
    summary: 'How a simulated outside service behaves',
    ...standIn,
    answers: { 200: answer('its mode', mode), 404: problem('no such stand-in'), 503: databaseAway },
  },
  'PUT /api/stand-ins/{name}': {
    needs: 'own',
    summary: 'Makes it behave otherwise',
    ...standIn,
    body: { schema: object({ mode: Type.String({ maxLength: 40 }) }), most: 1024 },
    answers: {
      200: answer('its mode', mode),
      ...writeRefused,
      404: problem('no such stand-in'),
      422: problem('it cannot do that'),
    },
  },
  'POST /api/carriers/test': {
    needs: 'look',
    summary: 'Asks a carrier as a quote would, and tells all of it',
    body: { schema: CarrierTestShape, most: 4096 },
    answers: {
      200: answer('request, answer and what they come to', CarrierReplyShape),
      ...writeRefused,
      422: problem('malformed, or no such market'),
    },
  },
});
