import type { Catalogue } from '../../core/catalogue/product.ts';
import type { CompiledPolicy } from '../../core/evaluation/compile.ts';
import { evaluatePrepared } from '../../core/evaluation/evaluate.ts';
import { prepare, type PreparedCase } from '../../core/evaluation/prepare.ts';
import { inputOfTestCart } from '../../core/evaluation/test-cart-input.ts';
import type { Evaluation } from '../../core/evaluation/evaluation.ts';
import type { TraceNode } from '../../core/trace/trace.ts';
import type { TestCart } from '../../core/policy/types.ts';
import { renderPlaces, type RenderedMessage } from '../../core/wording/render.ts';
import { placeIds, type Place } from '../../core/wording/places.ts';

export interface Rehearsal {
  prepared: PreparedCase;
  evaluation: Evaluation;
  /** the tree of decisions, worked out when it is first asked for */
  trace: () => TraceNode | null;
  /** products of the cart that are no longer in the catalogue */
  gone: string[];
  message: (place: Place) => RenderedMessage | null;
}

/** What a test cart's shopper is offered and told under a policy. @param now the moment, unless the cart has its own */
export function rehearse(compiled: CompiledPolicy, catalogue: Catalogue, cart: TestCart, now: number): Rehearsal {
  const { input, gone } = inputOfTestCart(cart, catalogue, now);
  const prepared = prepare(compiled, input);
  const evaluation = evaluatePrepared(prepared);
  let trace: TraceNode | null = null;
  let messages: RenderedMessage[] | null = null;
  return {
    prepared,
    evaluation,
    trace: () => (trace ??= evaluatePrepared(prepared, { trace: true }).trace),
    gone,
    // Places share most of their texts, so that all are filled at once.
    message: (place) => {
      messages ??= renderPlaces(compiled, evaluation, placeIds, cart.language);
      return messages.find((message) => message.place === place) ?? null;
    },
  };
}

/** Where the release would answer otherwise, and what it would say there; empty when it answers the same. */
export function differences(
  now: Rehearsal,
  released: Rehearsal,
  optionName: (id: string) => string,
  write: (minor: number) => string,
): string[] {
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
  goodsBarred: 'Some of these goods may not go there: this cart cannot check out.',
  nothingToDeliver: 'Nothing in this cart needs delivery.',
  zoneWithoutOptions: 'The zone has no delivery option: this cart cannot check out.',
  noneApplies: 'No delivery option applies to this cart: it cannot check out.',
};

export const whyUnavailable: Record<Evaluation['unavailable'][number]['reason'], string> = {
  otherChannel: 'not in this channel',
  notNow: 'not at this time',
  conditionNotMet: 'its condition does not hold',
  noLineApplies: 'no line of the charge covers this cart',
  carrierSilent: 'the carrier gave no quote',
};
