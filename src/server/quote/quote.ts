import { catalogueOf } from '../../core/catalogue/product.ts';
import { resolveCart, type Destination } from '../../core/cart/cart.ts';
import { evaluate } from '../../core/evaluation/evaluate.ts';
import type { Evaluation } from '../../core/evaluation/evaluation.ts';
import type { CompiledPolicy } from '../../core/evaluation/compile.ts';
import { optionLabel } from '../../core/wording/option-label.ts';
import { placeIds } from '../../core/wording/places.ts';
import { renderLead } from '../../core/wording/render.ts';
import { ProblemError, type ProblemField } from '../http/problem.ts';
import { bodySchema } from '../http/read-request.ts';
import { productsById } from '../products/product-store.ts';
import type { CurrentPolicy } from './current-policy.ts';

export interface QuoteRequest {
  lines: { product: string; quantity: number }[];
  destination: Destination;
  language?: string;
}

export const quoteRequestSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  type: 'object',
  additionalProperties: false,
  required: ['lines', 'destination'],
  properties: {
    lines: {
      type: 'array',
      maxItems: 200,
      items: {
        type: 'object',
        additionalProperties: false,
        required: ['product', 'quantity'],
        properties: { product: { type: 'string', minLength: 1, maxLength: 40 }, quantity: { type: 'integer', minimum: 1, maximum: 9999 } },
      },
    },
    destination: {
      type: 'object',
      additionalProperties: false,
      required: ['country', 'postcode'],
      properties: { country: { type: 'string', pattern: '^[A-Z]{2}$' }, postcode: { type: 'string', maxLength: 16 },
        region: { type: 'string', pattern: '^[A-Z]{2}-[A-Z0-9]{1,3}$' },
        coordinates: {
          type: 'object',
          additionalProperties: false,
          required: ['latitude', 'longitude'],
          properties: { latitude: { type: 'number', minimum: -90, maximum: 90 }, longitude: { type: 'number', minimum: -180, maximum: 180 } },
        },
      },
    },
    language: { type: 'string', pattern: '^[a-z]{2,3}(-[A-Z][a-z]{3})?(-([A-Z]{2}|[0-9]{3}))?$' },
  },
} as const;

export const validateQuoteRequest = bodySchema<QuoteRequest>(quoteRequestSchema);

/** Options, goals and messages for a cart under the current release. @throws ProblemError 422 for unknown or unpriced products */
export async function quote({ release, compiled }: CurrentPolicy, request: QuoteRequest): Promise<object> {
  const products = await productsById([...new Set(request.lines.map((line) => line.product))]);
  const resolved = resolveCart(request.lines, catalogueOf(products));
  if (!resolved.ok) throw refused(resolved.unknown.map(({ index, product }) => ({ pointer: `/lines/${index}/product`, message: `there is no product "${product}"` })));
  const evaluation = evaluate(compiled, { cart: resolved.cart, destination: request.destination });
  const unpriced = evaluation.measures?.unpriced ?? [];
  if (unpriced.length > 0) {
    throw refused(request.lines.flatMap((line, index) => (unpriced.includes(line.product) ? [{ pointer: `/lines/${index}/product`, message: `has no price in the market "${evaluation.marketId}"` }] : [])));
  }
  return { release, ...quoteBody(compiled, evaluation, request.language) };
}

function refused(fields: ProblemField[]): ProblemError {
  return new ProblemError({ status: 422, title: 'The cart has products that cannot be quoted', detail: 'No price was computed. The lines named are wrong.', fields });
}

function quoteBody(compiled: CompiledPolicy, evaluation: Evaluation, asked: string | undefined): object {
  const market = evaluation.marketId ? compiled.markets.get(evaluation.marketId)?.market : undefined;
  const language = asked ?? market?.languages[0] ?? 'en';
  return {
    market: evaluation.marketId,
    zone: evaluation.zoneId,
    currency: evaluation.currency,
    goodsValue: evaluation.measures?.goodsValue ?? null,
    options: evaluation.options.map((option) => {
      const policy = compiled.policy.options[option.optionId]!;
      return {
        id: option.optionId,
        kind: policy.kind,
        label: optionLabel(policy, language, market?.languages ?? []),
        priceBefore: option.before,
        priceAfter: option.after,
        tax: option.tax,
        estimate: option.estimate,
        offer: option.offerId,
      };
    }),
    unavailable: evaluation.unavailable.map(({ optionId, reason }) => ({ id: optionId, reason })),
    noOptions: evaluation.noOptions,
    preselected: evaluation.preselected,
    goals: evaluation.offers.flatMap((offer) => offer.goals.map(({ goalId, ...standing }) => ({ offer: offer.offerId, goal: goalId, ...standing }))),
    messages: placeIds.flatMap((place) => {
      const rendered = renderLead(compiled, evaluation, place, language);
      return rendered ? [{ place, text: rendered.text, language: rendered.found.language, state: evaluation.lead!.state }] : [];
    }),
  };
}
