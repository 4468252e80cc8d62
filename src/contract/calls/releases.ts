import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, problem, writeRefused } from '../call.ts';
import { list, object } from '../shape.ts';
import { ReleaseRequestShape, RollBackRequestShape, ReleaseShape, ReleaseSummaryShape } from '../shapes/release.ts';

const params = { number: Type.Integer({ minimum: 1 }) };
const most = 20 * 1024;
const written = {
  201: answer('released', ReleaseSummaryShape),
  ...writeRefused,
  422: problem('malformed'),
};

export const releaseCalls = defineCalls({
  'GET /api/releases': {
    needs: 'look',
    summary: 'Releases, newest first',
    answers: { 200: answer('the list', object({ releases: list(ReleaseSummaryShape) })), 503: databaseAway },
  },
  'POST /api/releases': {
    needs: 'release',
    limited: true,
    summary: 'Makes the draft the next release',
    ifMatch: true,
    body: { schema: ReleaseRequestShape, most },
    answers: {
      ...written,
      409: problem('what is stored needs to be repaired'),
      412: problem('the draft has moved on'),
      422: problem('malformed, or something is wrong and no reason is given'),
      428: problem('If-Match is missing'),
    },
  },
  'GET /api/releases/{number}': {
    needs: 'look',
    summary: 'One release with its policy',
    params,
    answers: { 200: answer('the release', ReleaseShape), 404: problem('no such release'), 503: databaseAway },
  },
  'POST /api/releases/{number}/roll-back': {
    needs: 'release',
    limited: true,
    summary: 'Makes a new release of an old copy',
    params,
    body: { schema: RollBackRequestShape, most },
    answers: { ...written, 404: problem('no such release') },
  },
});
