import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, file, problem, writeRefused } from '../call.ts';
import { object, optional } from '../shape.ts';
import {
  HostsShape,
  longestContent,
  surfaceId,
  SurfaceComparedShape,
  SurfacesShape,
  SurfaceTextShape,
} from '../shapes/surface.ts';

const part = Type.String({ maxLength: 60 });
const params = { id: surfaceId };
const compared = answer('what it states, beside what releases charge', SurfaceComparedShape);
const unknown = problem('the draft has no such surface');

/** Other places that state delivery prices, and what is made for them. */
export const surfaceCalls = defineCalls({
  'GET /published/{market}/{language}/{file}': {
    needs: 'anyone',
    summary:
      'What the release says of a market, in one of its languages: policy page, banner lines, structured data, feeds',
    params: { market: part, language: part, file: part },
    answers: {
      200: file('HTML, Markdown, text, JSON-LD, CSV or RSS by the name of the file', 'text/html'),
      304: { says: 'it is what If-None-Match names' },
      404: problem('no such file, or nothing has been released yet'),
      503: databaseAway,
    },
  },
  'GET /published/{file}': {
    needs: 'anyone',
    summary: 'What the release says of the whole store: the rate sheet',
    params: { file: part },
    answers: {
      200: file('CSV', 'text/csv'),
      304: { says: 'it is what If-None-Match names' },
      404: problem('no such file, or nothing has been released yet'),
      503: databaseAway,
    },
  },
  'GET /api/generated': {
    needs: 'look',
    summary: 'A file as it would be published if the draft were released',
    query: object({ market: optional(part), language: optional(part), file: part }),
    answers: { 200: file('its text', 'text/plain'), 404: problem('no such file'), 503: databaseAway },
  },
  'GET /api/surfaces': {
    needs: 'look',
    summary: 'How every surface of the draft stands beside the release',
    answers: { 200: answer('in no order', SurfacesShape), 503: databaseAway },
  },
  'GET /api/surfaces/{id}': {
    needs: 'look',
    summary: 'What a surface states, marked in what was last read of it',
    params,
    answers: { 200: compared, 404: unknown, 503: databaseAway },
  },
  'PUT /api/surfaces/{id}/text': {
    needs: 'edit',
    summary: 'Hands in what a surface says, pasted or as a file',
    params,
    // Every letter may be escaped as six.
    body: { schema: SurfaceTextShape, most: longestContent * 6 },
    answers: { 200: compared, ...writeRefused, 404: unknown, 422: problem('malformed, or too long') },
  },
  'POST /api/surfaces/{id}/fetch': {
    needs: 'edit',
    summary: 'Fetches a surface at its address and compares it',
    params,
    answers: {
      200: compared,
      403: writeRefused[403],
      404: unknown,
      409: problem('it has no address'),
      502: problem('it could not be fetched; what was read before is kept'),
      503: databaseAway,
    },
  },
  'POST /api/surfaces/{id}/done': {
    needs: 'edit',
    summary: 'Says that a surface has been brought into line with the release by hand',
    params,
    answers: {
      200: compared,
      403: writeRefused[403],
      404: unknown,
      409: problem('nothing has been released yet'),
      503: databaseAway,
    },
  },
  'GET /api/listed-hosts': {
    needs: 'look',
    summary: 'Hosts that surfaces are fetched from, and no others',
    answers: { 200: answer('by name', HostsShape), 503: databaseAway },
  },
  'PUT /api/listed-hosts': {
    needs: 'own',
    summary: 'Lists the hosts that surfaces are fetched from',
    body: { schema: HostsShape, most: 32 * 1024 },
    answers: { 200: answer('as they are listed now', HostsShape), ...writeRefused, 422: problem('malformed') },
  },
});
