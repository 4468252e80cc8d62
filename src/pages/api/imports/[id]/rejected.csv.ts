import { endpoint } from '../../../../server/http/endpoint.ts';
import { runOr404 } from '../../../../server/imports/import-answers.ts';
import { rejectedCsv } from '../../../../server/imports/rejected-csv.ts';

export const GET = endpoint('GET /api/imports/{id}/rejected.csv', async ({ params }) => {
  const { id } = await runOr404(params.id);
  return new Response(rejectedCsv(id), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="rejected-rows-${id}.csv"`,
      'cache-control': 'no-store',
    },
  });
});
