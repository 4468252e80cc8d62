import { ExpectedMark } from '../rehearsal/ExpectedMark.tsx';
import { useJudgedCarts } from '../rehearsal/judged-carts.ts';

/** Test carts that no longer come out as they are expected to, said before they are released. */
export function TestCartWarnings() {
  const judged = useJudgedCarts();
  if (judged.length === 0) return null;
  const failing = judged.filter(({ misses }) => misses > 0);
  if (failing.length === 0)
    return (
      <p className="mt-2 text-small text-soft" data-testid="test-carts-pass">
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
            <a className="link link-primary" href={`/rehearse?cart=${id}&tool=expected`}>
              {cart.name}
            </a>
            <ExpectedMark cart={cart} rehearsal={rehearsal} />
          </li>
        ))}
      </ul>
    </div>
  );
}
