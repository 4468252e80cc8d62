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
import { addMarket, assignCountries } from './market-edits.ts';
import { areaPartsOf, takeReading, type NamesForRead } from './reading-edits.ts';
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

  test('of a market that is there go into it: options into its zone, a goal for it, and countries that charge otherwise apart', () => {
    const orders = readableDemoOrders().filter(({ currency }) => currency === 'EUR');
    const empty = emptyPolicy();
    const before = withPatches(empty, [addMarket('NL', 'Euro')(empty)]);
    const proposals = readStore(orders).map(proposedRules);
    const policy = withPatches(before, [takeReading(proposals, names, 'euro')(before)]);
    expect(Object.keys(policy.markets)).toEqual(['euro']);
    const places = Object.values(policy.zones).map(({ market, area }) => [market, Object.values(area.include)]);
    expect(places[0]).toEqual(['euro', [{ kind: 'wholeMarket' }]]);
    expect(places.slice(1)).toEqual(
      proposals
        .slice(1)
        .map(({ market }) => ['euro', market.countries.map((country) => ({ kind: 'country', country }))]),
    );
    const [zone] = Object.keys(policy.zones);
    const here = Object.values(policy.options).filter((option) => option.zone === zone);
    expect(here.map(({ name }) => name).sort()).toEqual(proposals[0]!.options.map(({ option }) => option).sort());
    expect(checkPolicy(withPatches(policy, [assignCountries(['BE', 'DE', 'AT'], 'euro')(policy)]))).toMatchObject({
      ok: true,
    });
  });

  test('make an offer of the codes that made delivery free, in the markets where they did', () => {
    const columns = emptyColumns(600, ['parcel']);
    const shipments = emptyShipments(600, [['NL', '', '']], ['', 'WIND', 'not a code']);
    for (let i = 0; i < 600; i++) {
      columns.goods[i] = 2000 + 10 * i;
      shipments.code[i] = i % 10 === 0 ? 1 + (i % 20) / 10 : 0;
      columns.delivery[i] = shipments.code[i] === 0 ? 495 : 0;
    }
    const policy = policyFrom([{ currency: 'EUR', columns, shipments }]);
    expect(checkPolicy(policy)).toMatchObject({ ok: true });
    expect(Object.values(policy.offers).map(({ name, unlock, markets }) => ({ name, unlock, markets }))).toEqual([
      { name: names.code, unlock: { by: 'code', codes: { WIND: true } }, markets: { nl: true } },
    ]);
    const { options } = evaluate(compilePolicy(policy), {
      cart: {
        lines: [{ product: { ...ordinaryArticle, id: 'goods', prices: { nl: 3000 } }, quantity: 1 }],
        codes: ['WIND'],
      },
      destination: { country: 'NL', postcode: '' },
      instant: 0,
    });
    expect(options.map(({ before, after }) => [before, after])).toEqual([[495, 0]]);
  });

  test('of parts that regions or postcodes tell become areas; regions in words do not', () => {
    const postcode = (country: string, begins: string) => ({ country, region: null, postcode: begins });
    const region = (written: string) => ({ country: 'US', region: written, postcode: null });
    expect(areaPartsOf([postcode('NL', '17 9'), region('US-AK'), postcode('BE', '9'), postcode('NL', '88')])).toEqual([
      { kind: 'postcodes', country: 'NL', patterns: { '179*': true, '88*': true } },
      { kind: 'postcodes', country: 'BE', patterns: { '9*': true } },
      { kind: 'region', region: 'US-AK' },
    ]);
    expect(areaPartsOf([region('up north')])).toEqual([]);
  });

  test('of nothing change nothing', () => {
    expect(takeReading([], names)(emptyPolicy())).toEqual([]);
  });
});
