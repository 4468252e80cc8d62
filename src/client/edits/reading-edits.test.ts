import { describe, expect, test } from 'vitest';
import { readableDemoOrders } from '../../../tests/support/readable-demo-orders.ts';
import { randomStore } from '../../../tests/support/random-stores.ts';
import { ordinaryArticle } from '../../core/cart/ordinary-article.ts';
import { checkPolicy } from '../../core/checks/validate.ts';
import { emptyColumns } from '../../core/orders/columns.ts';
import { emptyShipments } from '../../core/orders/replay/shipments.ts';
import { compilePolicy } from '../../core/evaluation/compile.ts';
import { evaluate } from '../../core/evaluation/evaluate.ts';
import { emptyPolicy } from '../../core/policy/empty.ts';
import { withPatches } from '../../core/policy/patch.ts';
import type { Policy } from '../../core/policy/types.ts';
import { proposedRules } from '../../core/reading/proposed-rules.ts';
import { readStore } from '../../core/reading/read-store.ts';
import type { ReadableOrders } from '../../core/reading/readable-orders.ts';
import { takeReading, type NamesForRead } from './reading-edits.ts';
import { freshId } from './set-at.ts';

const names: NamesForRead = {
  market: (countries) => countries.join(' '),
  option: (option) => option,
  area: (number) => `area ${number}`,
  offer: 'Free delivery',
  code: 'Free delivery by code',
};

/** The policy of a store that had nothing, as it is read from its orders. */
const policyFrom = (orders: readonly ReadableOrders[]): Policy => {
  const empty = emptyPolicy();
  return withPatches(empty, [takeReading(readStore(orders).map(proposedRules), names)(empty)]);
};

/** How many of some of the last orders the policy charges as they were charged. */
function chargedAlike(
  policy: Policy,
  all: readonly ReadableOrders[],
  since: number,
): { alike: number; orders: number } {
  const compiled = compilePolicy(policy);
  let [alike, orders] = [0, 0];
  for (const { columns, shipments } of all) {
    for (let i = 0; i < columns.count; i += 23) {
      if (columns.day[i]! < since) continue;
      const [country, , postcode] = shipments.places[shipments.place[i]!]!;
      const market = Object.keys(policy.markets).find((id) => policy.markets[id]!.countries.includes(country))!;
      const items = Math.max(1, columns.items[i]!);
      const goods = {
        ...ordinaryArticle,
        id: 'goods',
        prices: { [market]: columns.goods[i]! },
        weightGrams: shipments.grams[i]!,
      };
      const further = { ...goods, id: 'further', prices: { [market]: 0 }, weightGrams: 0 };
      const lines = [
        { product: goods, quantity: 1 },
        ...(items > 1 ? [{ product: further, quantity: items - 1 }] : []),
      ];
      const { options } = evaluate(compiled, {
        cart: { lines },
        destination: { country, postcode },
        instant: columns.day[i]! * 86_400_000,
      });
      const name = freshId(columns.options[columns.option[i]!]!, {});
      orders++;
      if (
        options.find(({ optionId }) => optionId === name || optionId.startsWith(`${name}-`))?.after ===
        columns.delivery[i]
      )
        alike++;
    }
  }
  return { alike, orders };
}

describe('rules taken over into an empty store', () => {
  test('of the demo’s orders are a valid policy that charges as they were charged', () => {
    const orders = readableDemoOrders();
    const policy = policyFrom(orders);
    expect(checkPolicy(policy)).toMatchObject({ ok: true });
    expect(Object.keys(policy.markets)).toHaveLength(7);
    expect(Object.values(policy.offers)).toHaveLength(1);
    expect(Object.values(policy.offers)[0]!.goals.first!.rewards.delivery).toMatchObject({ on: { by: 'all' } });
    // Since the offer of spring 2025 nothing has changed but in experiments.
    const { alike, orders: looked } = chargedAlike(policy, orders, Date.parse('2025-07-02') / 86_400_000);
    expect(looked).toBeGreaterThan(500);
    expect(alike / looked).toBeGreaterThan(0.97);
  });

  test.each([3, 14])('of a store made by chance (%i), with areas, too', (seed) => {
    const { orders, markets } = randomStore(seed);
    const policy = policyFrom(orders);
    expect(checkPolicy(policy)).toMatchObject({ ok: true });
    expect(Object.values(policy.zones)).toHaveLength(markets.length + markets.filter(({ area }) => area).length);
    const { alike, orders: looked } = chargedAlike(policy, orders, 20_300);
    expect(looked).toBeGreaterThan(10);
    expect(alike / looked).toBeGreaterThan(0.9);
  });

  test('make those options free that orders had free, and none whose name begins alike', () => {
    const columns = emptyColumns(800, ['parcel', 'parcel-shop']);
    const shipments = emptyShipments(800, [['NL', '', '']]);
    for (let i = 0; i < 800; i++) {
      columns.goods[i] = 2000 + 10 * i;
      columns.option[i] = i % 2;
      columns.delivery[i] = i % 2 === 0 && columns.goods[i]! >= 6000 ? 0 : 495;
    }
    const policy = policyFrom([{ currency: 'EUR', columns, shipments }]);
    expect(Object.values(policy.offers)[0]!.goals.first!.rewards.delivery).toMatchObject({
      on: { by: 'list', options: { parcel: true } },
    });
    expect(Object.values(policy.offers)[0]!.goals.first!.rewards.delivery).not.toHaveProperty('on.options.parcel-shop');
  });

  test('of nothing change nothing', () => {
    expect(takeReading([], names)(emptyPolicy())).toEqual([]);
  });
});
