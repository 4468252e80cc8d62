import { evaluate } from '../../../evaluation/evaluate.ts';
import { inputOfTestCart } from '../../../evaluation/test-cart-input.ts';
import { inOrder } from '../../../ordered.ts';
import { formatMoney } from '../../../money/format.ts';
import { missInWords } from '../../../test-carts/miss-in-words.ts';
import { missesOf, type Messages } from '../../../test-carts/expectations.ts';
import { placeIds } from '../../../wording/places.ts';
import { renderLead } from '../../../wording/render.ts';
import type { FindingKind } from '../../kind.ts';

/** A test cart that comes out otherwise than it is expected to. */
export const testCartFails: FindingKind = {
  kind: 'testCartFails',
  called: 'test carts that come out otherwise',
  stop: 'rehearse',
  find: ({ compiled, catalogue, now, locale }) =>
    inOrder(compiled.policy.testCarts).flatMap(([id, cart]) => {
      if (!cart.expects) return [];
      const evaluation = evaluate(compiled, inputOfTestCart(cart, catalogue, now).input);
      const messages: Messages = Object.fromEntries(
        placeIds.flatMap((place) => {
          const text = renderLead(compiled, evaluation, place, cart.language)?.text;
          return text === undefined ? [] : [[place, text]];
        }),
      );
      const misses = missesOf(cart.expects, evaluation, messages);
      if (misses.length === 0) return [];
      const { currency } = evaluation;
      const write = (minor: number | null): string => {
        if (minor === null) return 'not offered';
        return minor === 0 || currency === null ? 'free' : formatMoney(minor, currency, locale);
      };
      return [
        {
          severity: 'wrong',
          at: `/testCarts/${id}`,
          marketId: evaluation.marketId,
          sentence: `Test cart “${cart.name}” comes out otherwise than expected. ${misses.map((miss) => missInWords(miss, compiled.policy, write)).join('; ')}.`,
          example: cart,
          remedy: null,
        },
      ];
    }),
};
