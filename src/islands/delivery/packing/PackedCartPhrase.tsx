import { useMemo, useState } from 'react';
import type { CompiledPacking } from '../../../core/cart/packing/rules.ts';
import { prepare } from '../../../core/evaluation/prepare.ts';
import { inputOfTestCart } from '../../../core/evaluation/test-cart-input.ts';
import { inOrder } from '../../../core/ordered.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useCatalogue, useCompiled, useNow } from '../../page/page-context.tsx';
import { PackedPicture } from './PackedPicture.tsx';

/** A cart of the bench as it is packed. */
export function PackedCartPhrase({ packing }: { packing: CompiledPacking | null }) {
  const { testCarts } = usePolicy();
  const compiled = useCompiled();
  const catalogue = useCatalogue();
  const now = useNow();
  const [asked, setAsked] = useState('');
  const carts = useMemo(() => inOrder(testCarts).filter(([, { pinned }]) => pinned), [testCarts]);
  const id = carts.some(([one]) => one === asked) ? asked : (carts[0]?.[0] ?? null);
  const cart = useMemo(
    () => (id === null ? null : prepare(compiled, inputOfTestCart(testCarts[id]!, catalogue, now).input).cart),
    [id, testCarts, compiled, catalogue, now],
  );
  if (id === null)
    return <p className="text-small text-soft">A cart on the bench would be shown in its parcels here.</p>;
  return (
    <div className="text-small">
      The cart{' '}
      <PhraseSelect
        label="Cart that is packed"
        value={id}
        options={carts.map(([one, { name }]) => [one, name] as const)}
        choose={setAsked}
        testId="packed-cart"
      />
      {cart ? <PackedPicture cart={cart} packing={packing} /> : ' goes where nothing is sold.'}
    </div>
  );
}
