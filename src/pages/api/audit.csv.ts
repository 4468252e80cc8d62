import { csvOf } from '../../core/tabular/write-csv.ts';
import { auditFile } from '../../server/audit/audit-store.ts';
import { endpoint } from '../../server/http/endpoint.ts';

export const GET = endpoint('GET /api/audit.csv', async ({ query }) => {
  const rows = (await auditFile(query)).map(({ at, kind, person, address, what }) => [at, kind, person, address, what]);
  return new Response(`\ufeff${csvOf(['at', 'kind', 'who', 'from', 'what'], rows)}`, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="audit.csv"',
      'cache-control': 'no-store',
    },
  });
});
