import type { MarketTerms } from '../markets/terms.ts';
import type { CompiledGoal } from '../offers/compile-offer.ts';
import { selects } from '../catalogue/goods-selection.ts';
import type { Catalogue, Product } from '../catalogue/product.ts';
import { priceIn } from '../catalogue/product-amount.ts';
import type { CompiledPolicy } from './compile.ts';
import { evaluate } from './evaluate.ts';
import type { EvaluationInput, LeadMessage } from './evaluation.ts';

/** A product that closes the gap to a goal when it is added so many times. */
interface ClosingProduct {
  product: Product;
  quantity: number;
  /** what is added, minor units of the market's currency, as shown */
  cost: number;
  /** beyond what was missing: minor units, pieces or grams */
  over: number;
}

/** As many of one product as anybody would add only to reach a goal. */
const mostPieces = 5;
/** Products that are tried for real; those beyond cost far more than is missing. */
const mostTried = 60;

/**
 * Products of the catalogue that close the gap to the goal ahead, nearest first. Each is put in the cart and the whole is
 * evaluated: one is named only when the goal is then reached, and the cart can still be delivered.
 *
 * @param count how many to name
 * @returns null where no goal is ahead or no promise is made
 */
export function closingProducts(
  compiled: CompiledPolicy,
  catalogue: Catalogue,
  input: EvaluationInput,
  count: number,
): { lead: LeadMessage; products: ClosingProduct[] } | null {
  const { lead, marketId, zoneId } = evaluate(compiled, input);
  const market = marketId === null ? undefined : compiled.markets.get(marketId);
  const goal = market?.zones
    .find(({ id }) => id === zoneId)
    ?.offers.find(({ id }) => id === lead?.speakerId)
    ?.goals.find(({ id }) => id === lead?.goalId);
  if (
    !lead ||
    !market ||
    !goal ||
    lead.state === 'reached' ||
    lead.state === 'missedOut' ||
    lead.state === 'notice' ||
    lead.arguments.remaining <= 0
  )
    return null;
  const candidates = candidatesFor(goal, lead, market.terms, catalogue);
  const products: ClosingProduct[] = [];
  const named = new Set<string>();
  for (const candidate of candidates.slice(0, mostTried)) {
    if (products.length >= count) break;
    if (named.has(candidate.product.id)) continue;
    const lines = [...input.cart.lines, { product: candidate.product, quantity: candidate.quantity }];
    const after = evaluate(compiled, { ...input, cart: { ...input.cart, lines } });
    const reached = after.offers
      .find(({ offerId }) => offerId === lead.speakerId)
      ?.goals.find(({ goalId }) => goalId === lead.goalId)?.reached;
    if (!reached || after.options.length === 0) continue;
    named.add(candidate.product.id);
    products.push(candidate);
  }
  return { lead, products };
}

/** What would bring the goal by its own figures, the cheapest first. */
function candidatesFor(
  { counts }: CompiledGoal,
  { arguments: { remaining, measure } }: LeadMessage,
  terms: MarketTerms,
  catalogue: Catalogue,
): ClosingProduct[] {
  const candidates: ClosingProduct[] = [];
  for (const product of catalogue.values()) {
    const price = priceIn(product, terms);
    if (!price || !product.countsTowardGoals) continue;
    if (counts.goods !== null && !selects(counts.goods, product, price)) continue;
    const step = { value: price, items: 1, weight: product.needsDelivery ? (product.weightGrams ?? 0) : 0 }[measure];
    if (step === 0) continue;
    // Discounts that the cart has can take from what is added: one piece more is tried then.
    for (const quantity of [Math.ceil(remaining / step), Math.ceil(remaining / step) + 1]) {
      if (quantity <= mostPieces)
        candidates.push({ product, quantity, cost: price * quantity, over: step * quantity - remaining });
    }
  }
  return candidates.sort(
    (a, b) => a.cost - b.cost || a.quantity - b.quantity || (a.product.id < b.product.id ? -1 : 1),
  );
}
