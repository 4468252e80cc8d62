import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../../demo/products.ts';
import { catalogueOf, type Product } from '../../../src/core/catalogue/product.ts';
import type { Examined, SurfaceKnown } from '../../../src/core/check-up/kind.ts';
import { compilePolicy } from '../../../src/core/evaluation/compile.ts';
import { distributionOf } from '../../../src/core/orders/distribution.ts';
import type { Policy } from '../../../src/core/policy/types.ts';

/** The demo to plant faults into: its own guarantees are broken by many of them. */
export const demoToPlantIn: Policy = { ...demoPolicy };
delete demoToPlantIn.guarantees;

/** 1,000 past orders of one market, from 20.00 to 119.90. */
const orders = new Map([
  [
    'nlbe',
    distributionOf({ valueSteps: [2000, ...new Array<number>(999).fill(10)], counts: new Array<number>(1000).fill(1) }),
  ],
]);

/** Close to the rates that the demo has adopted. */
const rates = {
  CHF: [{ day: '2026-11-23', rate: '0.94' }],
  DKK: [{ day: '2026-11-23', rate: '7.46' }],
};

/** The demo, or one into which something is planted, as the check-up looks at it. */
export const examinedDemo = (
  policy: Policy,
  products: readonly Product[] = demoProducts,
  surfaces: Record<string, SurfaceKnown> = {},
): Examined => ({
  compiled: compilePolicy(policy),
  catalogue: catalogueOf(products),
  now: Date.parse('2026-11-24T11:00Z'),
  locale: 'en-GB',
  orders,
  rates,
  surfaces: new Map(Object.entries(surfaces)),
});
