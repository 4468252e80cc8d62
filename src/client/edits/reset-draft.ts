import { patchBetween } from '../../core/policy/patch.ts';
import type { Policy } from '../../core/policy/types.ts';
import type { Edit } from './edit.ts';

/**
 * The draft made to say what a release says to shoppers, in one edit. What is no promise to them stays the draft's own: test
 * carts, made-up shoppers, assumptions, accepted findings; notes beside texts go with the texts they stood beside.
 */
export const resetDraftTo =
  (release: Policy): Edit =>
  (policy) => {
    const { testCarts, shoppers, assumptions, accepted } = policy;
    const { shoppers: _, assumptions: __, accepted: ___, ...promised } = release;
    const kept = Object.fromEntries(Object.entries(assumptions ?? {}).filter(([market]) => release.markets[market]));
    return patchBetween(policy, {
      ...promised,
      testCarts,
      ...(shoppers ? { shoppers } : {}),
      ...(accepted ? { accepted } : {}),
      ...(Object.keys(kept).length > 0 ? { assumptions: kept } : {}),
    });
  };
