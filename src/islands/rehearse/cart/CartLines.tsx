import { Minus, Plus, X } from 'lucide-react';
import { setQuantity } from '../../../client/edits/edits.ts';
import { priceIn } from '../../../core/catalogue/product-amount.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { TestCart } from '../../../core/policy/types.ts';
import { TypedField } from '../../../ui/TypedField.tsx';
import type { Rehearsal } from '../../rehearsal/rehearse-cart.ts';
import { useDraft } from '../../page/draft-context.tsx';
import { useCatalogue, useCompiled, useNotation } from '../../page/page-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';
import { FillCart } from './FillCart.tsx';
import { ProductChoice } from '../../fields/choices/ProductChoice.tsx';
import { part } from '../../page/parts.ts';

/** The goods: quantities changed in place, products added by name. */
export function CartLines({ cartId, cart, rehearsal }: { cartId: string; cart: TestCart; rehearsal: Rehearsal }) {
  const { figure, money } = useNotation();
  const catalogue = useCatalogue();
  const compiled = useCompiled();
  const edit = useEdit();
  const show = useDraft((state) => state.show);
  const { marketId, currency, measures } = rehearsal.evaluation;
  const terms = marketId ? compiled.markets.get(marketId)?.terms : undefined;
  const change = (product: string, quantity: number) => edit(setQuantity(cartId, product, quantity));
  return (
    <section ref={part('cart')} aria-label="Cart">
      <table className="table table-xs max-xl:[&_td]:px-1 max-xl:[&_tfoot]:whitespace-normal max-xl:[&_th]:px-1">
        <thead>
          <tr className="border-b border-hairline text-small text-soft">
            <th scope="col" className="py-1 font-normal">
              Product
            </th>
            <th scope="col" className="py-1 text-right font-normal whitespace-nowrap">
              Price{currency ? `, ${currency}` : ''}
            </th>
            <th scope="col" className="py-1 text-center font-normal">
              Quantity
            </th>
            <th scope="col" className="py-1 text-right font-normal">
              Value
            </th>
            <th scope="col" className="w-7">
              <span className="sr-only">Take out</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {inOrder(cart.lines).map(([id, line]) => {
            const product = catalogue.get(id);
            const price = product && terms ? priceIn(product, terms) : undefined;
            const name = product?.name ?? id;
            return (
              <tr key={id} className="border-b border-hairline" data-testid={`line-${id}`}>
                <th scope="row" className="py-1.5 pr-2 font-normal">
                  {name}
                  <LineRemark
                    known={product !== undefined}
                    counts={product?.countsTowardGoals}
                    delivered={product?.needsDelivery}
                    free={product?.shipsFree}
                    own={Boolean(product?.ownDelivery)}
                  />
                </th>
                <td className="py-1.5 text-right">
                  {price === undefined || !currency ? '–' : figure(price, currency)}
                </td>
                <td className="py-1.5">
                  <span className="flex items-center justify-center">
                    <button
                      type="button"
                      className="btn btn-ghost btn-xs"
                      aria-label={`One less of ${name}`}
                      onClick={() => change(id, line.quantity - 1)}
                    >
                      <Minus size={13} aria-hidden />
                    </button>
                    <TypedField
                      label={`Quantity of ${name}`}
                      shown={String(line.quantity)}
                      parse={(text) =>
                        /^[1-9]\d{0,3}$/.test(text.trim())
                          ? { ok: true, value: Number(text) }
                          : { ok: false, reason: '1 to 9999' }
                      }
                      show={(value) => show(value === undefined ? null : setQuantity(cartId, id, value))}
                      commit={(value) => change(id, value)}
                    />
                    <button
                      type="button"
                      className="btn btn-ghost btn-xs"
                      aria-label={`One more of ${name}`}
                      onClick={() => change(id, Math.min(9999, line.quantity + 1))}
                    >
                      <Plus size={13} aria-hidden />
                    </button>
                  </span>
                </td>
                <td className="py-1.5 text-right">
                  {price === undefined || !currency ? '–' : figure(price * line.quantity, currency)}
                </td>
                <td className="text-right">
                  <button
                    type="button"
                    className="btn btn-ghost btn-xs"
                    aria-label={`Take ${name} out`}
                    onClick={() => change(id, 0)}
                  >
                    <X size={13} aria-hidden />
                  </button>
                </td>
              </tr>
            );
          })}
        </tbody>
        {currency && measures && (
          <tfoot>
            {measures.discount > 0 && (
              <tr className="text-soft">
                <th scope="row" className="pt-2 text-left font-normal">
                  Discounts of the shop
                </th>
                <td colSpan={3} className="pt-2 text-right">
                  {money(-measures.discount, currency)}
                </td>
                <td />
              </tr>
            )}
            <tr className="font-semibold">
              <th scope="row" className="py-2 text-left">
                Goods
              </th>
              <td colSpan={3} className="py-2 text-right" data-testid="goods-value">
                {money(measures.goodsValue, currency)}
              </td>
              <td />
            </tr>
            {measures.countedValue !== measures.goodsValue && (
              <tr className="text-soft">
                <th scope="row" className="text-left font-normal">
                  of which count toward goals
                </th>
                <td colSpan={3} className="text-right">
                  {money(measures.countedValue, currency)}
                </td>
                <td />
              </tr>
            )}
          </tfoot>
        )}
      </table>
      {Object.keys(cart.lines).length === 0 && (
        <p className="py-2 text-soft">The cart is empty. Add a product below.</p>
      )}
      <div className="mt-2">
        <ProductChoice
          action="Add a product"
          choose={({ id }) => edit(setQuantity(cartId, id, (cart.lines[id]?.quantity ?? 0) + 1))}
        />
        {currency && terms && <FillCart cartId={cartId} currency={currency} terms={terms} />}
      </div>
    </section>
  );
}

function LineRemark({
  known,
  counts,
  delivered,
  free,
  own,
}: {
  known: boolean;
  counts: boolean | undefined;
  delivered: boolean | undefined;
  free: boolean | undefined;
  own: boolean;
}) {
  const remarks = known
    ? [
        counts ? '' : 'does not count toward goals',
        delivered ? '' : 'needs no delivery',
        free ? 'always ships free' : '',
        own ? 'own delivery price' : '',
      ].filter(Boolean)
    : ['no longer in the catalogue'];
  return remarks.length > 0 ? <span className="block text-fine text-soft">{remarks.join(', ')}</span> : null;
}
