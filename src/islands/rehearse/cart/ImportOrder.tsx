import { useState } from 'react';
import { addTestCart } from '../../../client/edits/cart-edits.ts';
import { call } from '../../../client/http.ts';
import { orderAsCart } from '../../../client/orders/order-as-cart.ts';
import { freshId } from '../../../client/edits/set-at.ts';
import { findMarket } from '../../../core/evaluation/find-zone.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useCatalogue, useCompiled } from '../../page/page-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';

/** Brings a past order in as a test cart, by the number the shop gave it, to be seen in the arm that it was of. */
export function ImportOrder({ choose }: { choose: (cart: string, arm: string) => void }) {
  const policy = usePolicy();
  const catalogue = useCatalogue();
  const compiled = useCompiled();
  const edit = useEdit();
  const [number, setNumber] = useState('');
  const [said, setSaid] = useState('');
  const bring = async () => {
    if (number.trim() === '') return;
    setSaid('');
    const answer = await call('GET /api/orders/order', { query: { number: number.trim() } });
    if (!answer.ok) return setSaid(`${answer.problem.title}. ${answer.problem.detail}`);
    const market = findMarket(compiled, answer.body);
    const { cart, pieces, gone } = orderAsCart(answer.body, catalogue, market?.market.languages[0] ?? 'en-GB');
    const id = freshId('order', policy.testCarts);
    edit(addTestCart(id, cart, pieces));
    setNumber('');
    setSaid(gone.length > 0 ? `No longer in the catalogue, so left out: ${gone.join(', ')}.` : '');
    choose(id, answer.body.arm);
  };
  return (
    <span className="inline-flex flex-wrap items-baseline gap-x-1">
      <span className="text-soft">or past order</span>
      <input
        className="field"
        aria-label="Number of a past order"
        placeholder="number"
        value={number}
        onChange={(event) => setNumber(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && void bring()}
        data-testid="past-order-number"
      />
      <button
        type="button"
        className="btn btn-xs"
        disabled={number.trim() === ''}
        onClick={() => void bring()}
        data-testid="bring-order"
      >
        Bring it in
      </button>
      {said && <span role="status">{said}</span>}
    </span>
  );
}
