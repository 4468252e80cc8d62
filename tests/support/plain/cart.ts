import { isDeepStrictEqual } from 'node:util';
import type { Product } from '../../../src/core/catalogue/product.ts';
import type { EvaluationInput } from '../../../src/core/evaluation/evaluation.ts';
import type { Basis, GoodsSelection, Policy } from '../../../src/core/policy/types.ts';
import { amountHere, percentOf, split, sum, taxInside } from './basics.ts';

/** One line with everything about it worked out. Minor units. */
export interface PlainLine {
  product: Product;
  quantity: number;
  unit: number;
  before: number;
  after: number;
  rate: string;
  /** an article that is only thought of: the positions of the discounts on certain goods that it is among */
  joker?: ReadonlySet<number>;
}

export interface PlainCart {
  policy: Policy;
  marketId: string;
  lines: PlainLine[];
  codes: string[];
  channel: string;
  /** the positions of the discounts that apply */
  applying: number[];
}

export function among({ unit, product }: PlainLine, goods: GoodsSelection, policy: Policy, marketId: string): boolean {
  if (goods.unitPriceFrom && !(unit >= (amountHere(goods.unitPriceFrom, policy, marketId) ?? Infinity))) return false;
  if (goods.unitPriceBelow && !(unit < (amountHere(goods.unitPriceBelow, policy, marketId) ?? 0))) return false;
  if (!goods.products && !goods.categories && !goods.tags) return true;
  return Boolean(
    goods.products?.includes(product.id) ||
    product.categories.some((c) => goods.categories?.includes(c)) ||
    product.tags.some((t) => goods.tags?.includes(t)),
  );
}

export function plainCart(
  policy: Policy,
  marketId: string,
  input: EvaluationInput,
  extra: PlainLine[] = [],
): PlainCart {
  const { tax } = policy.markets[marketId]!;
  const region = input.destination.region ? tax.regions?.[input.destination.region] : undefined;
  const classes: Record<string, string> = { ...tax.classes, ...region?.classes };
  // The same product on several lines is one.
  const bought: { product: Product; quantity: number }[] = [];
  for (const { product, quantity } of input.cart.lines) {
    const known = bought.find((line) => isDeepStrictEqual(line.product, product));
    if (known) known.quantity += quantity;
    else bought.push({ product, quantity });
  }
  const lines: PlainLine[] = bought.map(({ product, quantity }) => {
    const unit = (product.prices[marketId] ?? 0) as number;
    return {
      product,
      quantity,
      unit,
      before: unit * quantity,
      after: unit * quantity,
      rate: classes[product.taxClass] ?? classes.standard!,
    };
  });
  lines.push(...extra.map((line) => ({ ...line, rate: classes.standard! })));
  const codes = (input.cart.codes ?? []).map((code) => code.trim().toUpperCase());
  const goodsBefore = sum(lines.map(({ before }) => before));
  const applying: number[] = [];
  for (const [index, discount] of (input.cart.discounts ?? []).entries()) {
    if (discount.code && !codes.includes(discount.code)) continue;
    if (goodsBefore < (discount.from ?? 0) || goodsBefore >= (discount.below ?? Infinity)) continue;
    applying.push(index);
    const weights = lines.map((line) =>
      !discount.goods || (line.joker ? line.joker.has(index) : among(line, discount.goods, policy, marketId))
        ? line.after
        : 0,
    );
    const off =
      discount.kind === 'percent' ? percentOf(sum(weights), discount.percent) : Math.min(discount.amount, sum(weights));
    split(off, weights).forEach((part, i) => (lines[i]!.after -= part));
  }
  return { policy, marketId, lines, codes, channel: input.cart.channel ?? 'web', applying };
}

/** A line's value in one of the bases. */
export function valueIn(
  line: PlainLine,
  basis: Basis,
  { policy, marketId }: Pick<PlainCart, 'policy' | 'marketId'>,
): number {
  const shownWithTax = policy.markets[marketId]!.tax.prices === 'withTax';
  const shown = basis.startsWith('after') ? line.after : line.before;
  if (basis.endsWith('WithoutTax')) return shownWithTax ? shown - taxInside(shown, line.rate) : shown;
  if (basis.endsWith('WithTax')) return shownWithTax ? shown : shown + percentOf(shown, line.rate);
  return shown;
}

export const hasOwnPrice = ({ product }: PlainLine, marketId: string): boolean =>
  product.needsDelivery && !product.shipsFree && product.ownDelivery?.[marketId] !== undefined;
export const isOrdinary = (line: PlainLine, marketId: string): boolean =>
  line.product.needsDelivery && !line.product.shipsFree && !hasOwnPrice(line, marketId);

/** What lines weigh and fill. */
export function sizes(lines: PlainLine[]): Record<'items' | 'lines' | 'weight' | 'volume' | 'longestSide', number> {
  const total = (of: (product: Product) => number) => sum(lines.map(({ product, quantity }) => of(product) * quantity));
  return {
    items: total(() => 1),
    lines: lines.length,
    weight: total(({ weightGrams }) => weightGrams ?? 0),
    volume: Math.ceil(total(({ sizeMm }) => (sizeMm ? sizeMm[0] * sizeMm[1] * sizeMm[2] : 0)) / 1000),
    longestSide: Math.max(0, ...lines.flatMap(({ product }) => product.sizeMm ?? [])),
  };
}

interface PlainParcel {
  goods: number;
  cubicMm: number;
  over: boolean;
}

/** Pieces one by one, the heaviest first, each into the first parcel with room; without rules all in one, and nothing is added. */
export function parcels(lines: PlainLine[], packing: Policy['store']['packing']): { grams: number; cubicMm: number }[] {
  const pieces = lines
    .flatMap(({ product: { weightGrams, sizeMm }, quantity }) =>
      Array.from({ length: quantity }, () => ({
        grams: weightGrams ?? 0,
        cubicMm: sizeMm ? sizeMm[0] * sizeMm[1] * sizeMm[2] : 0,
      })),
    )
    .sort((a, b) => b.grams - a.grams);
  const { packaging = 0, percent = '0', roundUpTo = 1, most = Infinity } = packing ?? {};
  const [whole = '0', decimals = ''] = percent.split('.');
  const hundred = 100 * 10 ** decimals.length;
  const withPackaging = (goods: number) => goods + packaging + Math.ceil((goods * Number(whole + decimals)) / hundred);
  const packed: PlainParcel[] = [];
  for (const { grams, cubicMm } of pieces) {
    const over = withPackaging(grams) > most && grams > 0;
    const room = over
      ? undefined
      : packed.find((one) => !one.over && (grams === 0 || withPackaging(one.goods + grams) <= most));
    if (room) {
      room.goods += grams;
      room.cubicMm += cubicMm;
    } else packed.push({ goods: grams, cubicMm, over });
  }
  return packed.map(({ goods, cubicMm }) => ({
    grams: Math.ceil(withPackaging(goods) / roundUpTo) * roundUpTo,
    cubicMm,
  }));
}

/** The larger of the weight and what the volume weighs at `divisor` cm³ a kilogram, in started grams. */
export const chargeable = ({ weight, volume }: { weight: number; volume: number }, divisor: number): number =>
  Math.max(weight, Math.ceil((volume * 1000) / divisor));
