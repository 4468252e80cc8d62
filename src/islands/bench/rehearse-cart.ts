import type { Catalogue } from '../../core/catalogue/product.ts';
import { resolveCart } from '../../core/cart/cart.ts';
import type { CompiledPolicy } from '../../core/evaluation/compile.ts';
import { evaluate } from '../../core/evaluation/evaluate.ts';
import type { Evaluation } from '../../core/evaluation/evaluation.ts';
import { inOrder } from '../../core/ordered.ts';
import type { TestCart } from '../../core/policy/types.ts';
import { renderLead, type RenderedMessage } from '../../core/wording/render.ts';
import type { Place } from '../../core/wording/places.ts';

export interface Rehearsal {
  evaluation: Evaluation;
  /** products of the cart that are no longer in the catalogue */
  gone: string[];
  message: (place: Place) => RenderedMessage | null;
}

/** What a test cart's shopper is offered and told under a policy. Lines whose product is gone are left out and named. */
export function rehearse(compiled: CompiledPolicy, catalogue: Catalogue, cart: TestCart, trace = false): Rehearsal {
  const wanted = inOrder(cart.lines).map(([product, line]) => ({ product, quantity: line.quantity }));
  const known = wanted.filter((line) => catalogue.has(line.product));
  const resolved = resolveCart(known, catalogue);
  const evaluation = evaluate(compiled, { cart: resolved.ok ? resolved.cart : { lines: [] }, destination: cart.destination }, { trace });
  return {
    evaluation,
    gone: wanted.filter((line) => !catalogue.has(line.product)).map((line) => line.product),
    message: (place) => renderLead(compiled, evaluation, place, cart.language),
  };
}

/** Where the release would answer otherwise, and what it would say there; empty when it answers the same. */
export function differences(now: Rehearsal, released: Rehearsal, optionName: (id: string) => string, write: (minor: number) => string): string[] {
  const found: string[] = [];
  const before = new Map(released.evaluation.options.map((option) => [option.optionId, option.after]));
  for (const option of now.evaluation.options) {
    const was = before.get(option.optionId);
    before.delete(option.optionId);
    if (was === undefined) found.push(`no ${optionName(option.optionId)}`);
    else if (was !== option.after) found.push(`${optionName(option.optionId)} ${write(was)}`);
  }
  for (const id of before.keys()) found.push(`${optionName(id)} is offered`);
  const text = released.message('strip')?.text;
  if (now.message('strip')?.text !== text) found.push(text ? `reads “${text}”` : 'reads nothing');
  return found;
}

export const whyNothing: Record<NonNullable<Evaluation['noOptions']>, string> = {
  noMarket: 'No market sells to this country: this cart cannot check out.',
  noZone: 'No zone covers this destination: this cart cannot check out.',
  nothingToDeliver: 'Nothing in this cart needs delivery.',
  zoneWithoutOptions: 'The zone has no delivery option: this cart cannot check out.',
  noneApplies: 'No delivery option applies to this cart: it cannot check out.',
};
