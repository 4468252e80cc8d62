import { patchBetween } from '../../core/policy/patch.ts';
import type { Policy } from '../../core/policy/types.ts';
import type { Edit } from './edit.ts';

/**
 * The draft made to say what a release says to shoppers, in one edit. What is no promise to them stays the draft's own: test
 * carts, guarantees, surfaces and their texts, made-up shoppers, assumptions, accepted findings; notes beside texts go with the texts they stood beside.
 */
export const resetDraftTo =
  (release: Policy): Edit =>
  (policy) => {
    const { testCarts, guarantees, surfaces, surfaceTexts, shoppers, assumptions, accepted } = policy;
    const {
      guarantees: _guarantees,
      surfaces: _surfaces,
      surfaceTexts: _surfaceTexts,
      shoppers: _shoppers,
      assumptions: _assumptions,
      accepted: _accepted,
      ...promised
    } = release;
    const kept = Object.fromEntries(Object.entries(assumptions ?? {}).filter(([market]) => release.markets[market]));
    return patchBetween(policy, {
      ...promised,
      testCarts,
      ...(guarantees ? { guarantees } : {}),
      ...(surfaces ? { surfaces } : {}),
      ...(surfaceTexts ? { surfaceTexts } : {}),
      ...(shoppers ? { shoppers } : {}),
      ...(accepted ? { accepted } : {}),
      ...(Object.keys(kept).length > 0 ? { assumptions: kept } : {}),
    });
  };
