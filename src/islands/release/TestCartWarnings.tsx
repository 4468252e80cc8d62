import { useMemo } from 'react';
import { inOrder } from '../../core/ordered.ts';
import { missesOf } from '../../core/test-carts/expectations.ts';
import { messagesOf } from '../rehearsal/expected-in-words.ts';
import { ExpectedMark } from '../rehearsal/ExpectedMark.tsx';
import { rehearse } from '../rehearsal/rehearse-cart.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { useCatalogue, useCompiled, useNow } from '../page/page-context.tsx';

/** Test carts that no longer come out as they are expected to, said before they are released. */
export function TestCartWarnings() {
  const policy = usePolicy();
  const compiled = useCompiled();
  const catalogue = useCatalogue();
  const now = useNow();
  const judged = useMemo(
    () =>
      inOrder(policy.testCarts).flatMap(([id, cart]) => {
        if (!cart.expects) return [];
        const rehearsal = rehearse(compiled, catalogue, cart, now);
        return [
          { id, cart, rehearsal, misses: missesOf(cart.expects, rehearsal.evaluation, messagesOf(rehearsal)).length },
        ];
      }),
    [policy.testCarts, compiled, catalogue, now],
  );
  if (judged.length === 0) return null;
  const failing = judged.filter(({ misses }) => misses > 0);
  if (failing.length === 0)
    return (
      <p className="mt-2 text-[13px] text-soft" data-testid="test-carts-pass">
        {judged.length === 1
          ? 'The test cart that expects something comes out as expected.'
          : `All ${judged.length} test carts that expect something come out as expected.`}
      </p>
    );
  return (
    <div className="mt-2 border-l-2 border-warning py-1 pl-3" data-testid="test-cart-warnings">
      <p className="font-semibold text-warning">
        {failing.length === 1 ? 'One test cart comes' : `${failing.length} test carts come`} out otherwise than
        expected:
      </p>
      <ul>
        {failing.map(({ id, cart, rehearsal }) => (
          <li key={id}>
            <a className="underline decoration-dotted underline-offset-2" href={`/rehearse?cart=${id}&tool=expected`}>
              {cart.name}
            </a>
            <ExpectedMark cart={cart} rehearsal={rehearsal} />
          </li>
        ))}
      </ul>
    </div>
  );
}
