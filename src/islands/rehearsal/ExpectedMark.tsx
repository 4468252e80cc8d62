import type { TestCart } from '../../core/policy/types.ts';
import { missesOf } from '../../core/test-carts/expectations.ts';
import { missInWords } from '../../core/test-carts/miss-in-words.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { usePriceWords } from '../page/use-price-words.ts';
import { messagesOf } from './expected-in-words.ts';
import type { Rehearsal } from './rehearse-cart.ts';

/** Whether a cart comes out as it is expected to, and what does not. */
export function ExpectedMark({ cart, rehearsal }: { cart: TestCart; rehearsal: Rehearsal }) {
  const policy = usePolicy();
  const misses = missesOf(cart.expects ?? {}, rehearsal.evaluation, messagesOf(rehearsal));
  const write = usePriceWords(rehearsal.evaluation.currency);
  if (misses.length === 0) return <p className="mt-1 text-fine text-soft">as expected</p>;
  return (
    <p className="mt-1 text-fine text-warning" data-testid="expected-mark">
      not as expected: {misses.map((miss) => missInWords(miss, policy, write)).join('; ')}
    </p>
  );
}
