import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, problem, writeRefused } from '../call.ts';
import { list, object } from '../shape.ts';
import { ReleaseRequestShape, ReleaseShape, ReleaseSummaryShape } from '../shapes/release.ts';

const params = { number: Type.Integer({ minimum: 1 }) };
const body = { schema: ReleaseRequestShape, most: 8 * 1024 };
const written = {
  201: answer('released', ReleaseSummaryShape),
  ...writeRefused,
  422: problem('malformed'),
};

export const releaseCalls = defineCalls({
  'GET /api/releases': {
    summary: 'Releases, newest first',
    answers: { 200: answer('the list', object({ releases: list(ReleaseSummaryShape) })), 503: databaseAway },
  },
  'POST /api/releases': {
    summary: 'Makes the draft the next release',
    ifMatch: true,
    body,
    answers: {
      ...written,
      409: problem('what is stored needs to be repaired'),
      412: problem('the draft has moved on'),
      428: problem('If-Match is missing'),
    },
  },
  'GET /api/releases/{number}': {
    summary: 'One release with its policy',
    params,
    answers: { 200: answer('the release', ReleaseShape), 404: problem('no such release'), 503: databaseAway },
  },
  'POST /api/releases/{number}/roll-back': {
    summary: 'Makes a new release of an old copy',
    params,
    body,
    answers: { ...written, 404: problem('no such release') },
  },
});
