import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, file, problem } from '../call.ts';
import { object } from '../shape.ts';

const image = Type.String({ pattern: '^[0-9a-f]{64}$', description: 'the SHA-256 of its bytes' });

export const pictureCalls = defineCalls({
  'POST /api/pictures': {
    needs: 'edit',
    limited: true,
    summary: 'Keeps a square picture of a delivery option, PNG or WebP of at most 64 kB',
    body: { types: ['image/png', 'image/webp'] },
    answers: {
      201: answer('kept; the same bytes are kept once', object({ image })),
      403: problem('sent by another site'),
      408: problem('it took too long'),
      409: problem('too many are kept'),
      413: problem('too large'),
      422: problem('neither PNG nor WebP by its first bytes, or not square'),
      503: databaseAway,
    },
  },
  'GET /pictures/{image}': {
    needs: 'anyone',
    summary: 'A picture, for the pages of any shop; what an address names never changes',
    params: { image },
    answers: { 200: file('PNG or WebP', 'image/png'), 404: problem('no such picture'), 503: databaseAway },
  },
});
