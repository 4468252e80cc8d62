import fc from 'fast-check';
import { expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../../demo/products.ts';
import { priceIn } from '../catalogue/product-amount.ts';
import { catalogueOf } from '../catalogue/product.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { evaluate } from '../evaluation/evaluate.ts';
import { resolveLines, type AskedLine } from './cart.ts';

const compiled = compilePolicy(demoPolicy);
const { terms } = compiled.markets.get('nlbe')!;
const catalogue = catalogueOf(demoProducts);
const sold = demoProducts.filter(
  (product) => priceIn(product, terms) !== undefined && (product.ownDelivery === null || 'nlbe' in product.ownDelivery),
);

/** The catalogue’s product as a shop that has no catalogue here would say it. */
function broughtAlong(id: string, quantity: number): AskedLine {
  const { ownDelivery, id: _, sku: __, name: ___, prices: ____, ...facts } = catalogue.get(id)!;
  const own = ownDelivery?.nlbe;
  return {
    product: id,
    quantity,
    facts: {
      ...facts,
      unitPrice: priceIn(catalogue.get(id)!, terms)!,
      ...(typeof own === 'number' ? { ownDelivery: own } : {}),
    },
  };
}

test('goods that are brought along whole are offered and charged as the catalogue’s are', () => {
  fc.assert(
    fc.property(
      fc.dictionary(fc.constantFrom(...sold.map(({ id }) => id)), fc.integer({ min: 1, max: 20 }), {
        minKeys: 1,
        maxKeys: 6,
      }),
      fc.constantFrom('1799 ZA', '1011 AB', '8899 AA', '8499'),
      (quantities, postcode) => {
        const lines = Object.entries(quantities);
        const outcome = (asked: AskedLine[], known: typeof catalogue) => {
          const resolved = resolveLines(asked, known, 'nlbe');
          if (!resolved.ok) throw new Error('not resolved');
          const { options, totals, offers, noOptions, measures } = evaluate(compiled, {
            cart: { lines: resolved.lines },
            destination: { country: 'NL', postcode },
            instant: Date.parse('2026-06-01T12:00Z'),
          });
          return { options, totals, offers, noOptions, measures: { ...measures, slowest: measures?.slowest?.id } };
        };
        expect(
          outcome(
            lines.map(([id, quantity]) => broughtAlong(id, quantity)),
            new Map(),
          ),
        ).toEqual(
          outcome(
            lines.map(([product, quantity]) => ({ product, quantity })),
            catalogue,
          ),
        );
      },
    ),
  );
});

test('a product that only its price is known of counts, is delivered, and has no weight that anybody knows', () => {
  const resolved = resolveLines([{ product: 'x', quantity: 2, facts: { unitPrice: 500 } }], catalogue, 'nlbe');
  expect(resolved).toMatchObject({
    ok: true,
    lines: [
      {
        product: {
          id: 'x',
          sku: 'x',
          prices: { nlbe: 500 },
          weightGrams: null,
          needsDelivery: true,
          countsTowardGoals: true,
        },
      },
    ],
  });
});
