import { priceIn } from '../../core/catalogue/product-amount.ts';
import type { Catalogue } from '../../core/catalogue/product.ts';
import type { CompiledPolicy } from '../../core/evaluation/compile.ts';
import { inOrder } from '../../core/ordered.ts';
import type { TestCart } from '../../core/policy/types.ts';
import { quoteAnswer, type QuoteAnswer } from '../../core/quote/quote-answer.ts';
import { shopSheet, type ShopSheet } from '../../core/quote/shop-sheet.ts';
import type { Rehearsal } from '../rehearsal/rehearse-cart.ts';

/** What the shop would be told for a cart under a policy, and all it would show of it. */
export interface ShopLaid {
  answer: QuoteAnswer;
  sheet: ShopSheet;
}

export function shopOf(
  compiled: CompiledPolicy,
  catalogue: Catalogue,
  cart: TestCart,
  { evaluation }: Rehearsal,
): ShopLaid {
  const answer = quoteAnswer(compiled, evaluation, cart.language);
  const terms = evaluation.marketId ? compiled.markets.get(evaluation.marketId)?.terms : undefined;
  const goods = inOrder(cart.lines).flatMap(([id, { quantity }]) => {
    const product = catalogue.get(id);
    return product
      ? [{ name: product.name, quantity, value: terms ? (priceIn(product, terms) ?? 0) * quantity : 0 }]
      : [];
  });
  return { answer, sheet: shopSheet(answer, goods, terms?.shownWithTax ?? true, cart.language) };
}
