import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, file, problem, writeRefused } from '../call.ts';
import { list, object } from '../shape.ts';
import { AboutShape, CommentDoneShape, CommentShape, HereShape, NewCommentShape } from '../shapes/together.ts';

export const togetherCalls = defineCalls({
  'GET /api/news': {
    summary: 'What changes, as it does: server-sent events whose data is `News`',
    needs: 'look',
    answers: { 200: file('as long as it is listened to, ten minutes at most', 'text/event-stream'), 503: databaseAway },
  },
  'PUT /api/presence': {
    summary: 'Says where a page is',
    needs: 'look',
    body: { schema: HereShape, most: 1024 },
    answers: { 200: answer('noted', object({})), ...writeRefused, 422: problem('malformed') },
  },
  'GET /api/comments': {
    summary: 'Comments on an offer, an option or a finding: what is not done first, then the newest first',
    needs: 'look',
    query: AboutShape,
    answers: {
      200: answer('comments', list(CommentShape)),
      422: problem('the query is malformed'),
      503: databaseAway,
    },
  },
  'POST /api/comments': {
    summary: 'Comments on an offer, an option or a finding',
    needs: 'look',
    body: { schema: NewCommentShape, most: 16_384 },
    answers: {
      201: answer('the comment', CommentShape),
      ...writeRefused,
      409: problem('there are as many as are kept'),
      422: problem('malformed'),
    },
  },
  'PUT /api/comments/{id}': {
    summary: 'Says that a comment is done, or is not after all',
    needs: 'look',
    params: { id: Type.String({ pattern: '^[a-z2-7]{12}$' }) },
    body: { schema: CommentDoneShape, most: 1024 },
    answers: {
      200: answer('the comment', CommentShape),
      ...writeRefused,
      404: problem('there is no such comment'),
      422: problem('malformed'),
    },
  },
});
