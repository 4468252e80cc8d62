import type { APIRoute } from 'astro';
import { localMoneyOf } from '../../../core/money/local-amount.ts';
import { askCarrier } from '../../../server/carriers/ask-carrier.ts';
import { validateCarrierTest } from '../../../server/carriers/carrier-schema.ts';
import { readDraft } from '../../../server/draft/draft-store.ts';
import { carrierService } from '../../../server/http/guard.ts';
import { answering, json, problemResponse } from '../../../server/http/problem.ts';
import { readBody } from '../../../server/http/read-request.ts';

/** Asks a carrier as a quote would, and tells all of it. */
export const POST: APIRoute = ({ request }) =>
  answering(async () => {
    const { market, carrier, to, weightGrams, volumeCm3 } = await readBody(request, validateCarrierTest, 4096);
    const { policy } = await readDraft();
    if (!Object.hasOwn(policy.markets, market))
      return problemResponse({
        status: 422,
        title: 'There is no such market',
        detail: 'Nobody was asked.',
        fields: [{ pointer: '/market', message: 'is not a market of the draft' }],
      });
    return json(
      await askCarrier(
        carrierService(),
        { carrier, from: policy.store.origin, to, weightGrams, volumeCm3 },
        localMoneyOf(policy, market),
      ),
    );
  });
