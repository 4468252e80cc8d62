import { useState, type ReactNode } from 'react';
import { linesOf } from '../../../client/edits/cart-edits.ts';
import { call } from '../../../client/http.ts';
import { orderAsCart } from '../../../client/orders/order-as-cart.ts';
import { ordinaryCart } from '../../../core/catalogue/ordinary-cart.ts';
import type { UnlikeOrder } from '../../../core/reading/unlike-rules.ts';
import { cartAsText } from '../../../core/test-carts/cart-as-text.ts';
import { useCatalogue, useCompiled } from '../../page/page-context.tsx';

/** Opens a past order at Rehearse, as a cart of its goods where they are known, with what it was charged. */
export function OrderAtRehearse({
  marketId,
  example,
  charged,
  option,
  children,
}: {
  marketId: string;
  example: UnlikeOrder;
  /** for delivery, minor units; null: whatever it was */
  charged: number | null;
  option: string;
  children: ReactNode;
}) {
  const catalogue = useCatalogue();
  const compiled = useCompiled();
  const [problem, setProblem] = useState('');
  const open = async () => {
    const market = compiled.markets.get(marketId);
    if (!market) return;
    const like = await call('GET /api/orders/like', {
      query: {
        market: marketId,
        day: String(example.day),
        value: String(example.value),
        option,
        ...(charged === null ? {} : { delivery: String(charged) }),
      },
    });
    const number = like.ok ? like.body.numbers[0] : undefined;
    if (number === undefined) return setProblem(like.ok ? 'It is no longer there.' : `${like.problem.title}.`);
    const answer = await call('GET /api/orders/order', { query: { number } });
    if (!answer.ok) return setProblem(`${answer.problem.title}.`);
    const { cart, pieces } = orderAsCart(answer.body, catalogue, market.market.languages[0] ?? 'en-GB');
    const goods = pieces.size > 0 ? pieces : ordinaryCart(catalogue, market.terms, example.value);
    const { arm } = answer.body;
    const query = new URLSearchParams({
      shared: cartAsText({ ...cart, order: 1, lines: linesOf(goods) }),
      tool: 'charged',
      ...(arm === '' ? {} : { arm }),
    });
    window.location.assign(`/rehearse?${query.toString()}#tools`);
  };
  return (
    <>
      <button
        type="button"
        className="link min-h-6 link-primary"
        title="See it at Rehearse"
        onClick={() => void open()}
        data-testid="order-at-rehearse"
      >
        {children}
      </button>
      {problem && (
        <span role="status" className="text-warning">
          {' '}
          {problem}
        </span>
      )}
    </>
  );
}
