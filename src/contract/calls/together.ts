import { answer, databaseAway, defineCalls, file, problem, writeRefused } from '../call.ts';
import { object } from '../shape.ts';
import { HereShape } from '../shapes/together.ts';

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
});
