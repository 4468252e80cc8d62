import { useMemo } from 'react';
import { setQuantity } from '../../../client/edits/edits.ts';
import { closingProducts } from '../../../core/evaluation/closing-products.ts';
import { inputOfTestCart } from '../../../core/evaluation/test-cart-input.ts';
import type { TestCart } from '../../../core/policy/types.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useCatalogue, useCompiled, useNotation, useNow } from '../../page/page-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';

const named = 8;

/** Products that close the gap to the goal ahead, nearest first, as a shopper could be shown them. */
export function CloseTheGap({ cartId, cart, currency }: { cartId: string; cart: TestCart; currency: string }) {
  const { money } = useNotation();
  const compiled = useCompiled();
  const catalogue = useCatalogue();
  const now = useNow();
  const policy = usePolicy();
  const edit = useEdit();
  const found = useMemo(
    () => closingProducts(compiled, catalogue, inputOfTestCart(cart, catalogue, now).input, named),
    [compiled, catalogue, cart, now],
  );
  if (!found) return <p className="py-1 text-soft">No goal is ahead of this shopper, so there is no gap to close.</p>;
  const { lead, products } = found;
  const { remaining, measure } = lead.arguments;
  const write = (value: number) => {
    if (measure === 'value') return money(value, currency);
    if (measure === 'items') return `${value} ${value === 1 ? 'piece' : 'pieces'}`;
    return `${value} g`;
  };
  return (
    <section aria-label="What closes the gap" data-testid="close-the-gap">
      <p className="py-1 text-small">
        {write(remaining)} to go to the goal of “{policy.offers[lead.speakerId]?.name}”.{' '}
        {products.length === 0 ? (
          <strong className="font-semibold text-warning">
            Nothing in the catalogue closes the gap: no product within five pieces reaches the goal.
          </strong>
        ) : (
          'Each of these reaches it, tried in this cart:'
        )}
      </p>
      {products.length > 0 && (
        <table className="table table-xs w-auto">
          <thead>
            <tr className="border-b border-hairline text-soft">
              <th scope="col" className="py-1 pr-4 font-normal">
                product
              </th>
              <th scope="col" className="py-1 pr-4 text-right font-normal">
                adds
              </th>
              <th scope="col" className="py-1 pr-4 text-right font-normal">
                beyond the goal by
              </th>
              <th scope="col">
                <span className="sr-only">Add</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {products.map(({ product, quantity, cost, over }) => (
              <tr key={product.id} className="border-b border-hairline">
                <th scope="row" className="py-1 pr-4 font-normal">
                  {quantity > 1 && `${quantity} × `}
                  {product.name}
                </th>
                <td className="py-1 pr-4 text-right">{money(cost, currency)}</td>
                <td className="py-1 pr-4 text-right">{write(over)}</td>
                <td>
                  <button
                    type="button"
                    className="btn btn-xs"
                    aria-label={`Add ${quantity} × ${product.name}`}
                    onClick={() =>
                      edit(setQuantity(cartId, product.id, (cart.lines[product.id]?.quantity ?? 0) + quantity))
                    }
                  >
                    Add
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
