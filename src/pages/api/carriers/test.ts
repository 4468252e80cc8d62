import { localMoneyOf } from '../../../core/money/local-amount.ts';
import { askCarrier } from '../../../server/carriers/ask-carrier.ts';
import { readDraft } from '../../../server/draft/draft-store.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { carrierService } from '../../../server/carriers/carrier-services.ts';

/** Asks a carrier as a quote would, and tells all of it. */
export const POST = endpoint('POST /api/carriers/test', async ({ body: { market, ...asked } }) => {
  const { policy } = await readDraft();
  if (!Object.hasOwn(policy.markets, market))
    return {
      status: 422,
      title: 'There is no such market',
      detail: 'Nobody was asked.',
      fields: [{ pointer: '/market', message: 'is not a market of the draft' }],
    };
  const request = { from: policy.store.origin, ...asked };
  return reply(await askCarrier(await carrierService(asked.carrier), request, localMoneyOf(policy, market)));
});
