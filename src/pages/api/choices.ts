import { forgetOldEntries } from '../../server/audit/audit-store.ts';
import { aggregateUpTo, beginAggregating } from '../../server/orders/aggregate-orders.ts';
import { endpoint, reply } from '../../server/http/endpoint.ts';
import { choose, readChoices } from '../../server/store-choices.ts';

export const GET = endpoint('GET /api/choices', async () => reply(await readChoices()));

export const PATCH = endpoint('PATCH /api/choices', async ({ body }) => {
  const choices = await choose(body);
  if (!choices)
    return {
      status: 409,
      title: 'There are no two people who may release',
      detail: 'Nothing was changed. Let somebody else release first; else nobody could.',
    };
  // What is to be kept no longer goes at once; of very many, the rest within minutes.
  await forgetOldEntries();
  // Many orders take their time; what is left over is done within minutes.
  const old = body.orderDays === undefined ? null : await beginAggregating();
  if (old !== null) void aggregateUpTo(old).catch(() => {});
  return reply(choices);
});
