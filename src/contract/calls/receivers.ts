import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, problem, writeRefused } from '../call.ts';
import { MadeReceiverShape, NewReceiverShape, OutgoingCallShape, ReceiversShape } from '../shapes/receiver.ts';

const params = { id: Type.String({ pattern: '^[a-z2-7]{8}$' }) };
const noSuchReceiver = problem('no such receiver');
const refused = { 403: writeRefused[403], 404: noSuchReceiver, 503: databaseAway };

/** Systems of the shop that are told of releases. */
export const receiverCalls = defineCalls({
  'GET /api/receivers': {
    needs: 'look',
    summary: 'Who is told of releases, with the latest calls and what was answered',
    answers: { 200: answer('in the order they were made', ReceiversShape), 503: databaseAway },
  },
  'POST /api/receivers': {
    needs: 'own',
    summary: 'Has a system told of releases; the secret that calls are signed with is told once',
    body: { schema: NewReceiverShape, most: 4096 },
    answers: {
      201: answer('the receiver and its secret', MadeReceiverShape),
      ...writeRefused,
      409: problem('there are as many as there may be'),
      422: problem('malformed, or the address is not one that is called'),
    },
  },
  'DELETE /api/receivers/{id}': {
    needs: 'own',
    summary: 'Tells a receiver nothing more; what waits for it is not told any more either',
    params,
    answers: { 200: answer('those that are left', ReceiversShape), ...refused },
  },
  'POST /api/receivers/{id}/secret': {
    needs: 'own',
    summary: 'Signs calls to a receiver with another secret from now on; it is told once',
    params,
    answers: { 201: answer('the receiver and its secret', MadeReceiverShape), ...refused },
  },
  'POST /api/receivers/{id}/test': {
    needs: 'own',
    summary: 'Calls a receiver once, and waits for what it answers',
    params,
    answers: { 200: answer('the call', OutgoingCallShape), ...refused },
  },
  'POST /api/receivers/{id}/again': {
    needs: 'own',
    summary: 'Tells a receiver now what has not arrived, also one that is told nothing any more',
    params,
    answers: { 202: answer('all receivers', ReceiversShape), ...refused },
  },
});
