import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, problem, writeRefused } from '../call.ts';
import { list, object } from '../shape.ts';
import {
  AskedReleaseShape,
  AskedShape,
  ReleaseRequestShape,
  RollBackRequestShape,
  ReleaseShape,
  ReleaseSummaryShape,
} from '../shapes/release.ts';

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
      409: problem('what is stored needs to be repaired, or a release takes two people'),
      412: problem('the draft has moved on'),
      422: problem('malformed, or something is wrong and no reason is given'),
      428: problem('If-Match is missing'),
    },
  },
  'GET /api/releases/asked': {
    needs: 'look',
    summary: 'The release that somebody has asked for and somebody else has to agree to',
    answers: { 200: answer('it; null: none', AskedShape), 503: databaseAway },
  },
  'POST /api/releases/asked': {
    needs: 'release',
    limited: true,
    summary: 'Asks that the draft be the next release, where that takes two people',
    ifMatch: true,
    body: { schema: ReleaseRequestShape, most },
    answers: {
      201: answer('what is asked, in place of what was', AskedReleaseShape),
      ...writeRefused,
      409: problem('what is stored needs to be repaired, or a release takes one person'),
      412: problem('the draft has moved on'),
      422: problem('malformed, or something is wrong and no reason is given'),
      428: problem('If-Match is missing'),
    },
  },
  'DELETE /api/releases/asked': {
    needs: 'release',
    limited: true,
    summary: 'Takes back, or declines, the release that was asked for',
    answers: { 200: answer('none', AskedShape), 403: writeRefused[403], 503: databaseAway },
  },
  'POST /api/releases/asked/agreement': {
    needs: 'release',
    limited: true,
    summary: 'Agrees to the release that somebody else has asked for, and makes it',
    ifMatch: true,
    answers: {
      201: answer('released', ReleaseSummaryShape),
      403: problem('sent by another site, by who has asked, or beyond one’s markets'),
      404: problem('no release is asked for'),
      409: problem('what is stored needs to be repaired'),
      412: problem('the draft has moved on since it was looked at, or since it was asked for'),
      422: problem('something is wrong by now, and no reason was given'),
      428: problem('If-Match is missing'),
      503: databaseAway,
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
