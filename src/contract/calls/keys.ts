import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, problem, writeRefused } from '../call.ts';
import {
  AccessKeyShape,
  AccessKeysShape,
  ChangedKeyShape,
  MadeKeyShape,
  MadeSecretShape,
  NewKeyShape,
  RotationShape,
  SigningSecretsShape,
} from '../shapes/access-key.ts';

const params = { id: Type.String({ pattern: '^[a-z2-7]{12}$' }) };
const noSuchKey = problem('no such key');
const most = 16 * 1024;

/** Keys with which shops make their calls, and the secret that signs quotes. */
export const keyCalls = defineCalls({
  'GET /api/keys': {
    needs: 'look',
    summary: 'The keys there are, without what they are made of',
    answers: { 200: answer('the newest first', AccessKeysShape), 503: databaseAway },
  },
  'POST /api/keys': {
    needs: 'own',
    summary: 'Makes a key; it is told once',
    body: { schema: NewKeyShape, most },
    answers: {
      201: answer('the key, and what is sent to use it', MadeKeyShape),
      ...writeRefused,
      409: problem('there are as many keys as there may be'),
      422: problem('malformed, or a publishable key without an origin'),
    },
  },
  'PUT /api/keys/{id}': {
    needs: 'own',
    summary: 'Names a key, and says from which origins it may be used',
    params,
    body: { schema: ChangedKeyShape, most },
    answers: { 200: answer('the key', AccessKeyShape), ...writeRefused, 404: noSuchKey, 422: problem('malformed') },
  },
  'POST /api/keys/{id}/rotation': {
    needs: 'own',
    summary: 'Makes a key that takes the place of another, which is taken for some hours more',
    params,
    body: { schema: RotationShape, most },
    answers: {
      201: answer('the new key, and what is sent to use it', MadeKeyShape),
      ...writeRefused,
      404: noSuchKey,
      409: problem('it has been rotated or revoked already, or there are as many as there may be'),
      422: problem('malformed'),
    },
  },
  'DELETE /api/keys/{id}': {
    needs: 'own',
    summary: 'Revokes a key: it is refused from now on',
    params,
    answers: {
      200: answer('the key', AccessKeyShape),
      403: writeRefused[403],
      404: noSuchKey,
      503: databaseAway,
    },
  },
  'GET /api/signing-secrets': {
    needs: 'look',
    summary: 'The secrets that quotes are or were signed with, without what they are',
    answers: { 200: answer('the one that signs first', SigningSecretsShape), 503: databaseAway },
  },
  'POST /api/signing-secrets': {
    needs: 'own',
    summary: 'Makes a secret that signs from now on; it is told once. What others have signed holds until it is over',
    answers: {
      201: answer('the secret', MadeSecretShape),
      403: writeRefused[403],
      503: databaseAway,
    },
  },
});
