import type { ChargeMeasure } from '../../../cart/charge-measure.ts';
import { isCharged } from '../../../catalogue/product-amount.ts';
import type { Product } from '../../../catalogue/product.ts';
import type { CompiledMarket, CompiledZone } from '../../../evaluation/compile.ts';
import type { CompiledOption } from '../../../options/compile-option.ts';
import { exampleCart } from '../../example-cart.ts';
import { somewhereIn } from '../../../evaluation/somewhere-in.ts';
import type { Found } from '../../finding.ts';
import type { Examined, FindingKind } from '../../kind.ts';

/** A product without a weight or a size that a charge in use looks at: it counts as nothing there. */
export const unmeasuredProduct: FindingKind = {
  kind: 'unmeasuredProduct',
  called: 'products without weight or size',
  stop: 'delivery',
  find: (examined) => [
    ...found(examined, 'weight', ({ weightGrams }) => weightGrams === null),
    ...found(examined, 'size', ({ sizeMm }) => sizeMm === null),
  ],
};

const ofWeight: readonly ChargeMeasure[] = ['weight', 'chargeableWeight', 'parcels'];
const ofSize: readonly ChargeMeasure[] = ['volume', 'chargeableWeight', 'longestSide'];

const looksKnown = new WeakMap<CompiledOption, { weight: boolean; size: boolean }>();

/** Whether the charge of an option looks at weights and sizes. */
function looksAt(option: CompiledOption): { weight: boolean; size: boolean } {
  let looks = looksKnown.get(option);
  if (!looks)
    looksKnown.set(option, (looks = { weight: looksAtAny(option, ofWeight), size: looksAtAny(option, ofSize) }));
  return looks;
}

const looksAtAny = ({ charge }: CompiledOption, measures: readonly ChargeMeasure[]): boolean =>
  charge.lines.some(({ range, price }) => {
    const edges = price.edges(range);
    return (range && measures.includes(range.measure)) || (edges && measures.includes(edges.measure));
  });

/** An option that looks at what a product lacks. */
interface Looking {
  market: CompiledMarket;
  zone: CompiledZone;
  option: CompiledOption;
}

function found(
  { compiled, catalogue }: Examined,
  lacking: 'weight' | 'size',
  lacks: (product: Product) => boolean,
): Found[] {
  const looking = [...compiled.markets.values()].flatMap((market) =>
    market.zones.flatMap((zone) =>
      zone.options.filter((option) => looksAt(option)[lacking]).map((option): Looking => ({ market, zone, option })),
    ),
  );
  return [...catalogue.values()].filter(lacks).flatMap((product): Found[] => {
    const where = looking.filter(({ market: { terms } }) => isCharged(product, terms));
    const [first] = where;
    if (!first) return [];
    const others = new Set(where.map(({ option }) => option.option.name)).size - 1;
    const there = somewhereIn(compiled, first.zone);
    const also = others > 0 ? ` and ${others} more` : '';
    return [
      {
        severity: 'risky',
        at: `/products/${product.id}`,
        key: lacking,
        marketId: null,
        sentence: `“${product.name}” has no ${lacking}, which “${first.option.option.name}”${also} looks at: it counts as nothing there.`,
        example:
          there && exampleCart(first.market, there, { name: `Without ${lacking}`, lines: [{ product, quantity: 1 }] }),
        remedy: null,
      },
    ];
  });
}
