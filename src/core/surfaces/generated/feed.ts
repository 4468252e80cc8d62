import type { Product } from '../../catalogue/product.ts';
import { priceIn } from '../../catalogue/product-amount.ts';
import { compilePolicy } from '../../evaluation/compile.ts';
import { evaluate } from '../../evaluation/evaluate.ts';
import { toDecimal } from '../../money/decimal.ts';
import { csvLine } from '../../tabular/write-csv.ts';
import { optionLabel } from '../../wording/option-label.ts';
import type { Asked } from './generated.ts';
import { escaped } from './markup.ts';
import { standingZones, type StandingZone } from './standing-market.ts';

/** What it costs to have one piece of a product brought to a zone, by the option that costs least. */
export interface FeedRow {
  product: Product;
  /** minor units */
  price: number;
  currency: string;
  zone: { id: string; name: string };
  countries: readonly string[];
  option: string;
  /** minor units */
  delivery: number;
  estimate: { unit: 'workingDays' | 'hours'; min: number; max: number };
}

/**
 * Delivery prices of every product to every zone of a market that somewhere is known in: what a guest pays who orders one piece.
 * Where nothing can be brought, and where only a carrier knows the price, there is no row.
 */
export function* feedRows(asked: Asked, marketId: string, language: string): Generator<FeedRow> {
  const { policy, catalogue, instant } = asked;
  const market = compilePolicy(policy).markets.get(marketId)!;
  const zones = standingZones(policy, market, instant).filter(({ destination }) => destination);
  for (const product of catalogue.values()) {
    if (!product.needsDelivery) continue;
    const price = priceIn(product, market.terms);
    if (price === undefined) continue;
    for (const zone of zones) {
      const row = rowOf(product, price, zone, instant, language);
      if (row) yield row;
    }
  }
}

function rowOf(
  product: Product,
  price: number,
  { compiled, zone, destination, options }: StandingZone,
  instant: number,
  language: string,
): FeedRow | null {
  const { market } = zone;
  const evaluation = evaluate(compiled, {
    cart: { lines: [{ product, quantity: 1 }] },
    destination: destination!,
    instant,
    market: market.id,
  });
  const brought = new Map(
    options.flatMap(({ id, option }) => (option.channels || option.kind === 'pickUp' ? [] : [[id, option]])),
  );
  const offered = evaluation.options.filter(({ optionId }) => brought.has(optionId));
  const [first, ...others] = offered;
  if (!first) return null;
  const least = others.reduce((best, one) => (one.after < best.after ? one : best), first);
  const option = brought.get(least.optionId)!;
  const { unit = 'workingDays', min, max } = option.estimate;
  return {
    product,
    price,
    currency: market.market.currency,
    zone: { id: zone.id, name: zone.zone.name },
    countries: market.market.countries,
    option: optionLabel(option, language, market.market.languages),
    delivery: least.after,
    estimate: { unit, min, max },
  };
}

/** Columns of the feed as CSV; docs/surfaces.md says what each holds. */
export const feedColumns = [
  'id',
  'sku',
  'name',
  'price',
  'currency',
  'zone',
  'zone name',
  'countries',
  'option',
  'delivery price',
  'arrives from',
  'arrives to',
  'arrives unit',
] as const;

/** The feed as CSV, a part at a time. */
export function* feedCsv(asked: Asked, marketId: string, language: string): Generator<string> {
  yield csvLine(feedColumns);
  for (const { product, price, currency, zone, countries, option, delivery, estimate } of feedRows(
    asked,
    marketId,
    language,
  ))
    yield csvLine([
      product.id,
      product.sku,
      product.name,
      toDecimal(price, currency),
      currency,
      zone.id,
      zone.name,
      countries.join(' '),
      option,
      toDecimal(delivery, currency),
      estimate.min,
      estimate.max,
      estimate.unit === 'hours' ? 'hours' : 'working days',
    ]);
}

/** The namespace of what RSS has no elements for; docs/surfaces.md says what each means. */
export const feedNamespace = 'urn:summant:delivery:1';

/** The feed as RSS 2.0, a part at a time: an item for each product and zone. Source: the RSS 2.0 specification, RSS Advisory Board. */
export function* feedRss(asked: Asked, marketId: string, language: string): Generator<string> {
  const { policy, storeAddress } = asked;
  const title = escaped(policy.store.name);
  yield `<?xml version="1.0" encoding="UTF-8"?>\n<rss version="2.0" xmlns:delivery="${feedNamespace}">\n<channel>\n<title>${title}</title>\n<link>${escaped(storeAddress)}</link>\n<description>${escaped(policy.markets[marketId]!.name)}</description>\n<language>${escaped(language.toLowerCase())}</language>\n`;
  for (const row of feedRows(asked, marketId, language)) yield itemOf(row, marketId);
  yield '</channel>\n</rss>\n';
}

function itemOf(
  { product, price, currency, zone, countries, option, delivery, estimate }: FeedRow,
  marketId: string,
): string {
  const element = (name: string, text: string) => `<delivery:${name}>${escaped(text)}</delivery:${name}>`;
  const money = (name: string, minor: number) =>
    `<delivery:${name} currency="${currency}">${toDecimal(minor, currency)}</delivery:${name}>`;
  return `<item>\n<title>${escaped(product.name)}</title>\n<guid isPermaLink="false">${escaped(`${marketId}/${zone.id}/${product.id}`)}</guid>\n${[
    element('product', product.id),
    element('sku', product.sku),
    money('goodsPrice', price),
    element('zone', zone.id),
    element('zoneName', zone.name),
    ...countries.map((country) => element('country', country)),
    element('option', option),
    money('price', delivery),
    `<delivery:arrives from="${estimate.min}" to="${estimate.max}" unit="${estimate.unit}"/>`,
  ].join('\n')}\n</item>\n`;
}
