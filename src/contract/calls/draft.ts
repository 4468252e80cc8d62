import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, nothing, problem } from '../call.ts';
import { flag, list, nullable, object, optional, whole } from '../shape.ts';
import { DraftAnswerShape, HistoricEditShape, PatchShape } from '../shapes/draft.ts';
import { PolicyShape } from '../shapes/policy.ts';

const editAnswers = {
  200: answer('the draft after the edit, or what has changed in it', DraftAnswerShape),
  400: problem('not JSON, or If-Match is malformed'),
  403: problem('sent by another site'),
  412: problem('the draft has moved on; the newer one is in `draft`'),
  422: problem('the edit is malformed or the draft would not be valid'),
  428: problem('If-Match is missing'),
  503: databaseAway,
};
const step = {
  ifMatch: true,
  prefer: true,
  answers: { ...editAnswers, 409: problem('somebody else has edited the same since') },
} as const;
const revision = Type.String({ pattern: '^[0-9]{1,15}$' });

export const draftCalls = defineCalls({
  'GET /api/draft': {
    needs: 'look',
    summary: 'The draft',
    query: object({
      since: optional(
        Type.String({
          pattern: '^[0-9]{1,15}$',
          description: 'the revision that is known: answers with what has changed since',
        }),
      ),
    }),
    answers: {
      200: answer('the draft; its ETag goes into If-Match', DraftAnswerShape),
      304: nothing('unchanged'),
      409: problem('what is stored needs to be repaired'),
      422: problem('the query is malformed'),
      503: databaseAway,
    },
  },
  'PATCH /api/draft': {
    needs: 'edit',
    limited: true,
    summary: 'Edits the draft by a JSON Patch (RFC 6902)',
    ifMatch: true,
    prefer: true,
    body: { schema: PatchShape, most: 4 * 1024 * 1024, types: ['application/json-patch+json'] },
    answers: { ...editAnswers, 413: problem('too large'), 415: problem('not a JSON Patch by its content type') },
  },
  'GET /api/draft/policy': {
    needs: 'look',
    summary: 'A state of the draft, which never changes',
    query: object({ revision, stamp: Type.String({ maxLength: 40 }) }),
    answers: {
      200: answer('the policy', PolicyShape),
      404: problem('there is no such state'),
      422: problem('the state is not said completely'),
    },
  },
  'GET /api/draft/history': {
    needs: 'look',
    summary: 'The edits of an offer and its texts, newest first',
    query: object({
      offer: Type.String({ pattern: '^[a-z0-9][a-z0-9-]{0,39}$' }),
      language: optional(Type.String({ maxLength: 35, pattern: '^[A-Za-z]{2,3}(-[A-Za-z0-9]{2,8}){0,3}$' })),
    }),
    answers: {
      200: answer(
        'edits with what each changed, amounts in the language asked for; incomplete where there were more',
        object({ complete: flag, edits: list(HistoricEditShape) }),
      ),
      422: problem('no offer is named'),
      503: databaseAway,
    },
  },
  'POST /api/draft/undo': {
    needs: 'edit',
    limited: true,
    summary: 'Takes one’s own newest edit back; where there is none left, the newest of the others',
    ...step,
  },
  'POST /api/draft/redo': {
    needs: 'edit',
    limited: true,
    summary: 'Does the last undone edit again, one’s own first',
    ...step,
  },
  'POST /api/draft/repair': {
    needs: 'edit',
    summary: 'Goes back to the newest valid state where what is stored is not a policy',
    answers: {
      200: answer('what was done', object({ repaired: flag, backTo: nullable(whole) })),
      303: nothing('for a form: to the page'),
      503: databaseAway,
    },
  },
});
