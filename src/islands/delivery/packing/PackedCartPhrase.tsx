import { useMemo, useState } from 'react';
import type { CompiledPacking } from '../../../core/packing/rules.ts';
import { prepare } from '../../../core/evaluation/prepare.ts';
import { inputOfTestCart } from '../../../core/evaluation/test-cart-input.ts';
import { inOrder } from '../../../core/ordered.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useCatalogue, useCompiled, useNow } from '../../page/page-context.tsx';
import { PackedPicture } from './PackedPicture.tsx';

/** A cart of the bench as it is packed: the heaviest, until another is chosen. */
export function PackedCartPhrase({ packing }: { packing: CompiledPacking | null }) {
  const { testCarts } = usePolicy();
  const compiled = useCompiled();
  const catalogue = useCatalogue();
  const now = useNow();
  const [asked, setAsked] = useState('');
  const carts = useMemo(
    () =>
      inOrder(testCarts).map(([id, cart]) => {
        const measured = prepare(compiled, inputOfTestCart(cart, catalogue, now).input).cart;
        return { id, name: cart.name, measured, grams: measured?.measures.charged.weight ?? 0 };
      }),
    [testCarts, compiled, catalogue, now],
  );
  const shown = carts.find(({ id }) => id === asked) ?? heaviest(carts);
  if (!shown) return <p className="text-small text-soft">A cart of the bench would be shown in its parcels here.</p>;
  return (
    <div className="text-small">
      The cart{' '}
      <PhraseSelect
        label="Cart that is packed"
        value={shown.id}
        options={carts.map(({ id, name }) => [id, name] as const)}
        choose={setAsked}
        testId="packed-cart"
      />
      {shown.measured ? <PackedPicture cart={shown.measured} packing={packing} /> : ' goes where nothing is sold.'}
    </div>
  );
}

const heaviest = <T extends { grams: number }>(carts: readonly T[]): T | undefined =>
  carts.reduce<T | undefined>((most, cart) => (most && most.grams >= cart.grams ? most : cart), undefined);
