import { patchBetween } from '../../core/policy/patch.ts';
import type { Policy } from '../../core/policy/types.ts';
import type { Edit } from './edit.ts';

/**
 * The draft made to say what a release says to shoppers, in one edit. What is no promise to them stays the draft's own: test
 * carts, guarantees, made-up shoppers, assumptions, accepted findings; notes beside texts go with the texts they stood beside.
 */
export const resetDraftTo =
  (release: Policy): Edit =>
  (policy) => {
    const { testCarts, guarantees, shoppers, assumptions, accepted } = policy;
    const { guarantees: _, shoppers: __, assumptions: ___, accepted: ____, ...promised } = release;
    const kept = Object.fromEntries(Object.entries(assumptions ?? {}).filter(([market]) => release.markets[market]));
    return patchBetween(policy, {
      ...promised,
      testCarts,
      ...(guarantees ? { guarantees } : {}),
      ...(shoppers ? { shoppers } : {}),
      ...(accepted ? { accepted } : {}),
      ...(Object.keys(kept).length > 0 ? { assumptions: kept } : {}),
    });
  };
