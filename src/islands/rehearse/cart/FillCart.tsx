import { useState } from 'react';
import { setCartLines } from '../../../client/edits/cart-edits.ts';
import { ordinaryCart } from '../../../core/catalogue/ordinary-cart.ts';
import type { MarketTerms } from '../../../core/markets/terms.ts';
import { parseAmount } from '../../../core/money/decimal.ts';
import { useCatalogue, useNotation } from '../../page/page-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';

/** Fills the cart with real products up to an amount, as near as any come. */
export function FillCart({ cartId, currency, terms }: { cartId: string; currency: string; terms: MarketTerms }) {
  const { money } = useNotation();
  const catalogue = useCatalogue();
  const edit = useEdit();
  const [text, setText] = useState('');
  const amount = parseAmount(text, currency);
  const fill = () => {
    if (!amount.ok || amount.minor < 1) return;
    edit(setCartLines(cartId, ordinaryCart(catalogue, terms, amount.minor)));
  };
  return (
    <p className="mt-1 text-small">
      <span className="text-soft">or fill it to</span>{' '}
      <input
        className="field text-right"
        aria-label={`Amount to fill the cart to, ${currency}`}
        aria-invalid={text !== '' && !amount.ok}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && fill()}
        data-testid="fill-amount"
      />{' '}
      {currency}{' '}
      <button
        type="button"
        className="btn btn-xs"
        disabled={!amount.ok || amount.minor < 1}
        onClick={fill}
        data-testid="fill-cart"
      >
        Fill with real products
      </button>{' '}
      {text !== '' && !amount.ok && <span className="text-error">{amount.reason}</span>}
      {amount.ok && amount.minor > 0 && (
        <span className="text-soft">what is in it makes way for goods of about {money(amount.minor, currency)}</span>
      )}
    </p>
  );
}
