import { useState } from 'react';
import type { TestCart } from '../../../core/policy/types.ts';
import { cartAsText } from '../../../core/test-carts/cart-as-text.ts';

/** A link that opens the same rehearsal wherever this Summant is reached, and a page to print. */
export function ShareCart({ cart }: { cart: TestCart }) {
  const [link, setLink] = useState('');
  const share = async () => {
    const address = new URL(window.location.pathname, window.location.href);
    address.searchParams.set('shared', cartAsText(cart));
    setLink(address.href);
    try {
      await navigator.clipboard.writeText(address.href);
    } catch {
      // Without leave to write to the clipboard the link stands there to be copied by hand.
    }
  };
  return (
    <>
      <button type="button" className="btn btn-xs" onClick={() => void share()} data-testid="share-cart">
        Share
      </button>
      <button type="button" className="btn btn-xs" onClick={() => window.print()} data-testid="print-cart">
        Print
      </button>
      {link && (
        <span className="inline-flex min-w-0 items-baseline gap-1">
          <input
            className="field"
            readOnly
            aria-label="Link to this rehearsal"
            value={link}
            onFocus={(event) => event.currentTarget.select()}
            data-testid="share-link"
          />
          <span role="status" className="text-soft">
            opens this cart as it is now
          </span>
        </span>
      )}
    </>
  );
}
