import { useMemo, type ReactNode } from 'react';
import { keepTestCarts } from '../../../client/edits/cart-edits.ts';
import { freshId } from '../../../client/edits/set-at.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { TestCart } from '../../../core/policy/types.ts';
import { rehearse } from '../../rehearsal/rehearse-cart.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useCatalogue, useCompiled, useCompiledRelease, useNow } from '../../page/page-context.tsx';
import { useGuardedEdit } from '../../page/use-edit.tsx';
import { SideBySide, type Laid } from '../tools/SideBySide.tsx';

/** A rehearsal that came by a link: looked at as it is, and kept among the test carts when it is to be worked with. */
export function SharedCart({
  cart,
  laid,
  arms,
  choose,
}: {
  cart: TestCart;
  /** draft, release or both */
  laid: Laid;
  /** chips of the arms it can be looked at in, where there are any */
  arms: ReactNode;
  choose: (cart: string) => void;
}) {
  const compiled = useCompiled();
  const compiledRelease = useCompiledRelease();
  const catalogue = useCatalogue();
  const now = useNow();
  const policy = usePolicy();
  const { edit, refusal } = useGuardedEdit();
  const draft = useMemo(() => rehearse(compiled, catalogue, cart, now), [compiled, catalogue, cart, now]);
  const released = useMemo(
    () => (compiledRelease ? rehearse(compiledRelease, catalogue, cart, now) : null),
    [compiledRelease, catalogue, cart, now],
  );
  const keep = () => {
    const id = freshId('shared', policy.testCarts);
    if (edit(keepTestCarts({ [id]: { ...cart, pinned: false } }))) choose(id);
  };
  const { country, postcode } = cart.destination;
  return (
    <div className="px-5 py-3" data-testid="shared-cart">
      <h1 className="text-head leading-9">Rehearse {cart.name}</h1>
      <p className="text-soft">
        Shared by a link:{' '}
        {inOrder(cart.lines)
          .map(([id, { quantity }]) => `${quantity} × ${catalogue.get(id)?.name ?? id}`)
          .join(', ')}
        , going to {postcode ? `${country} ${postcode}` : country}, read in {cart.language}.
      </p>
      {arms}
      {refusal}
      <p className="py-2">
        <button type="button" className="btn btn-sm btn-primary" onClick={keep} data-testid="keep-shared">
          Keep it among the test carts
        </button>
      </p>
      <SideBySide cart={cart} draft={draft} released={released} laid={laid} width="desktop" />
    </div>
  );
}
