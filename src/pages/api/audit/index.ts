import { auditPage } from '../../../server/audit/audit-store.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';

export const GET = endpoint('GET /api/audit', async ({ query: { before, ...filter } }) =>
  reply(await auditPage(filter, Number(before ?? 0))),
);
