import { inOrder } from '../../core/ordered.ts';
import type { Shopper, TestCart } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { same } from '../../core/same.ts';

/** Who buys: one of the made-up shoppers, whose facts the cart takes over, or whoever it says itself. */
export function BuyerPhrase({
  cart: { shopper },
  choose,
}: {
  cart: TestCart;
  choose: (shopper: Shopper | undefined) => void;
}) {
  const { shoppers = {} } = usePolicy();
  const known = inOrder(shoppers).find(([, madeUp]) => same(madeUp.shopper, shopper))?.[0];
  const value = shopper === undefined ? '' : (known ?? 'own');
  return (
    <PhraseSelect
      label="Bought by"
      value={value}
      options={[
        ['', 'a guest of whom nothing is known'],
        ...(value === 'own' ? [['own', 'somebody of its own'] as const] : []),
        ...inOrder(shoppers).map(([id, { name }]) => [id, name] as const),
      ]}
      choose={(id) => id !== 'own' && choose(id === '' ? undefined : shoppers[id]?.shopper)}
      testId="buyer-phrase"
    />
  );
}
