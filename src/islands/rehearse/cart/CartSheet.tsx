import { useState } from 'react';
import { addTestCart, removeTestCart } from '../../../client/edits/cart-edits.ts';
import { setCartField } from '../../../client/edits/edits.ts';
import { freshId } from '../../../client/edits/set-at.ts';
import { focusOn } from '../../../ui/focus-soon.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { TestCart } from '../../../core/policy/types.ts';
import { EditedField } from '../../fields/EditedField.tsx';
import { parseName } from '../../fields/typed-text.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';

/** As many as a policy may hold. */
const mostCarts = 200;

/** A test cart's name, and what is done with the cart as a whole. */
export function CartSheet({
  cartId,
  cart,
  choose,
}: {
  cartId: string;
  cart: TestCart;
  choose: (cart: string) => void;
}) {
  const policy = usePolicy();
  const edit = useEdit();
  const [kept, setKept] = useState<string | null>(null);
  const carts = Object.keys(policy.testCarts);
  const add = (name: string, like: Omit<TestCart, 'order' | 'lines'>, lines: TestCart['lines']) => {
    const id = freshId('cart', policy.testCarts);
    edit(
      addTestCart(id, { ...like, name }, new Map(inOrder(lines).map(([product, { quantity }]) => [product, quantity]))),
    );
    choose(id);
    focusOn('cart-name');
  };
  const { order: _, lines, ...like } = cart;
  const remove = () => {
    const next = carts[carts.indexOf(cartId) + 1] ?? carts[carts.indexOf(cartId) - 1];
    if (next === undefined) return;
    setKept(cart.name);
    edit(removeTestCart(cartId));
    choose(next);
  };
  const quiet = 'btn btn-xs';
  return (
    <p className="flex flex-wrap items-baseline gap-x-1 text-small" data-testid="cart-sheet">
      <span className="text-soft">Called</span>
      <EditedField
        label="Name of the test cart"
        shown={cart.name}
        parse={parseName}
        change={(name) => setCartField(cartId, 'name', name)}
        testId="cart-name"
      />
      <button
        type="button"
        className={quiet}
        disabled={carts.length >= mostCarts}
        onClick={() =>
          add('New cart', { name: '', pinned: false, language: cart.language, destination: cart.destination }, {})
        }
        data-testid="new-cart"
      >
        New cart
      </button>
      <button
        type="button"
        className={quiet}
        disabled={carts.length >= mostCarts}
        onClick={() => add(`${cart.name.slice(0, 110)}, copy`, { ...like, pinned: false }, lines)}
        data-testid="duplicate-cart"
      >
        Duplicate
      </button>
      <button type="button" className={quiet} disabled={carts.length < 2} onClick={remove} data-testid="delete-cart">
        Delete
      </button>
      {kept !== null && (
        <span role="status" className="text-soft">
          “{kept}” is deleted; undo brings it back.
        </span>
      )}
    </p>
  );
}
