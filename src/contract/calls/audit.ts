import { answer, databaseAway, defineCalls, file, problem, writeRefused } from '../call.ts';
import { object } from '../shape.ts';
import { AuditFilterShape, AuditQueryShape, AuditShape, ExportShape } from '../shapes/audit.ts';

export const auditCalls = defineCalls({
  'GET /api/audit': {
    summary: 'Who did what, the newest first',
    needs: 'own',
    query: AuditQueryShape,
    answers: {
      200: answer('up to 100 entries', AuditShape),
      422: problem('the query is malformed'),
      503: databaseAway,
    },
  },
  'GET /api/audit.csv': {
    summary: 'The same as a file, up to 100,000 entries',
    needs: 'own',
    query: AuditFilterShape,
    answers: { 200: file('CSV', 'text/csv'), 422: problem('the query is malformed'), 503: databaseAway },
  },
  'POST /api/exports': {
    summary: 'Says that a file was made of what a page shows',
    needs: 'look',
    body: { schema: ExportShape, most: 1024 },
    answers: { 200: answer('noted', object({})), ...writeRefused, 422: problem('malformed') },
  },
});
