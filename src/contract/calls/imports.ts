import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, file, problem, writeRefused } from '../call.ts';
import { list, nullable, object } from '../shape.ts';
import { HeadingRequestShape, ImportMappingShape, ImportRequestShape, ImportShape } from '../shapes/import.ts';

const params = { id: Type.Integer({ minimum: 1 }) };
const noSuchImport = problem('no such import');
const body = { most: 256 * 1024 };

export const importCalls = defineCalls({
  'GET /api/imports': {
    needs: 'look',
    summary: 'Imports, newest first',
    answers: { 200: answer('the list', object({ imports: list(ImportShape) })), 503: databaseAway },
  },
  'POST /api/imports': {
    needs: 'edit',
    summary: 'Announces a file of orders or products and how it is to be read',
    body: { schema: ImportRequestShape, ...body },
    answers: {
      201: answer('its file can be sent', ImportShape),
      ...writeRefused,
      409: problem('too many are open'),
      422: problem('malformed, or the file cannot be read like this'),
    },
  },
  'POST /api/imports/remembered': {
    needs: 'edit',
    summary: 'How a file with this heading was read the last time',
    body: { schema: HeadingRequestShape, ...body },
    answers: {
      200: answer('null for a heading not seen before', object({ mapping: nullable(ImportMappingShape) })),
      ...writeRefused,
      422: problem('malformed'),
    },
  },
  'GET /api/imports/{id}': {
    needs: 'look',
    summary: 'How far an import has come',
    params,
    answers: { 200: answer('the import', ImportShape), 404: noSuchImport, 503: databaseAway },
  },
  'PUT /api/imports/{id}/file': {
    needs: 'edit',
    summary: 'The file, read as it comes in; answers once it has been read and compared with what is there',
    params,
    body: { types: ['text/csv', 'application/octet-stream'] },
    answers: {
      200: answer('what importing it would do', ImportShape),
      403: problem('sent by another site'),
      404: noSuchImport,
      409: problem('read already, or stopped'),
      429: problem('four files are being read; send it again in a moment'),
      503: databaseAway,
      507: problem('the disk is full'),
    },
  },
  'POST /api/imports/{id}/apply': {
    needs: 'edit',
    summary: 'Takes a checked file over',
    params,
    answers: {
      202: answer('begun', ImportShape),
      404: noSuchImport,
      409: problem('not checked, or taken over already'),
      503: databaseAway,
    },
  },
  'POST /api/imports/{id}/cancel': {
    needs: 'edit',
    summary: 'Stops an import; what was taken over is taken back',
    params,
    answers: {
      202: answer('stopping', ImportShape),
      404: noSuchImport,
      409: problem('it has ended'),
      503: databaseAway,
    },
  },
  'GET /api/imports/{id}/rejected.csv': {
    needs: 'look',
    summary: 'Rows that could not be taken, with line, column and reason',
    params,
    answers: { 200: file('CSV', 'text/csv'), 404: noSuchImport, 503: databaseAway },
  },
});
