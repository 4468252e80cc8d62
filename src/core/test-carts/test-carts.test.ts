import { readFile } from 'node:fs/promises';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { validators, validatorsFile } from '../../../scripts/generate-validators.ts';
import { demoProducts } from '../../../demo/products.ts';
import { catalogueOf } from '../catalogue/product.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { evaluate } from '../evaluation/evaluate.ts';
import { inputOfTestCart } from '../evaluation/test-cart-input.ts';
import { closingProducts } from '../evaluation/closing-products.ts';
import { placeIds } from '../wording/places.ts';
import { renderLead } from '../wording/render.ts';
import { expectationNow, missesOf } from './expectations.ts';
import { checkPolicy } from '../checks/validate.ts';
import { checkTestCarts } from './check-test-carts.ts';
import { cartAsText } from './cart-as-text.ts';
import { cartFromText } from './cart-from-text.ts';
import { readTestCartFile } from './read-test-cart-file.ts';
import { testCartFile } from './test-cart-file.ts';

const now = Date.parse('2026-11-25T11:00Z');
const catalogue = catalogueOf(demoProducts);
const compiled = compilePolicy(demoPolicy);
const carts = Object.entries(demoPolicy.testCarts);
const seen = (cart: (typeof carts)[number][1], policy = compiled) => {
  const evaluation = evaluate(policy, inputOfTestCart(cart, catalogue, now).input);
  return {
    evaluation,
    read: Object.fromEntries(
      placeIds.flatMap((place) => {
        const text = renderLead(policy, evaluation, place, cart.language)?.text;
        return text === undefined ? [] : [[place, text]];
      }),
    ),
  };
};

describe('expectations', () => {
  test.each(carts)('%s comes out as it is seen', (_, cart) => {
    const { evaluation, read } = seen(cart);
    const expects = expectationNow(evaluation, read);
    expect(missesOf(expects, evaluation, read)).toEqual([]);
    expect(missesOf({ ...expects, toPay: expects.toPay + 1 }, evaluation, read)).toMatchObject([{ what: 'toPay' }]);
  });
  test('a goal that is moved is missed in price, goal and message, and only what is named is compared', () => {
    const moved = structuredClone(demoPolicy);
    moved.offers['free-delivery']!.goals.first!.targets.nlbe = { exact: 6000 };
    const cart = demoPolicy.testCarts['beach-day']!;
    const { evaluation, read } = seen(cart);
    const expects = expectationNow(evaluation, read);
    const after = seen(cart, compilePolicy(moved));
    const misses = missesOf(expects, after.evaluation, after.read);
    expect(misses).toContainEqual({ what: 'option', optionId: 'nlbe-door', expected: 595, found: 0 });
    expect(misses).toContainEqual({ what: 'goal', offerId: 'free-delivery', expected: false, found: true });
    expect(misses).toContainEqual(
      expect.objectContaining({ what: 'message', place: 'strip', found: 'Uw bezorging is gratis.' }),
    );
    expect(missesOf({ options: { 'nlbe-counter': null } }, after.evaluation, after.read)).toEqual([]);
  });
});

describe('what closes the gap', () => {
  const input = inputOfTestCart(demoPolicy.testCarts['beach-day']!, catalogue, now).input;
  test('each product named reaches the goal when it is added, nearest first, against trying all of them', () => {
    const found = closingProducts(compiled, catalogue, input, 8)!;
    expect(found.lead.arguments.remaining).toBe(1320);
    expect(found.products.length).toBeGreaterThan(3);
    expect(found.products.map(({ cost }) => cost)).toEqual(
      found.products.map(({ cost }) => cost).sort((a, b) => a - b),
    );
    const reaches = (id: string, quantity: number) =>
      evaluate(compiled, {
        ...input,
        cart: { lines: [...input.cart.lines, { product: catalogue.get(id)!, quantity }] },
      }).offers.find(({ offerId }) => offerId === 'free-delivery')!.goals[0]!.reached;
    for (const { product, quantity } of found.products)
      expect([product.id, reaches(product.id, quantity)]).toEqual([product.id, true]);
    const cheapest = Math.min(
      ...[...catalogue.values()].flatMap((product) =>
        [1, 2, 3, 4, 5].flatMap((quantity) => {
          const added = evaluate(compiled, { ...input, cart: { lines: [...input.cart.lines, { product, quantity }] } });
          const cost = added.measures!.goodsValue - 6180;
          return added.options.length > 0 &&
            added.offers.find(({ offerId }) => offerId === 'free-delivery')!.goals[0]!.reached
            ? [cost]
            : [];
        }),
      ),
    );
    expect(found.products[0]!.cost).toBe(cheapest);
  });
  test('where the catalogue has nothing within reach it says so; where no goal is ahead there is no gap', () => {
    expect(closingProducts(compiled, catalogueOf([catalogue.get('gift-card-25')!]), input, 8)!.products).toEqual([]);
    expect(
      closingProducts(
        compiled,
        catalogue,
        inputOfTestCart(demoPolicy.testCarts['first-stunt-kite']!, catalogue, now).input,
        8,
      ),
    ).toBeNull();
  });
});

test('test carts come back from their file as they went, and another file says what it is not', () => {
  expect(readTestCartFile(testCartFile(demoPolicy))).toEqual({ ok: true, carts: demoPolicy.testCarts });
  for (const [text, reason] of [
    ['{', /not JSON/],
    ['{}', /not a file of test carts/],
    ['{"format":"summant-test-carts","version":2}', /version 2/],
    ['{"format":"summant-test-carts","version":1,"testCarts":{"a":{}}}', /“a”/],
  ] as const) {
    expect(readTestCartFile(text)).toMatchObject({ ok: false, reason: expect.stringMatching(reason) });
  }
});

test('a cart comes back from a link as it went; a link that is cut off is none', () => {
  for (const [, cart] of carts) expect(cartFromText(cartAsText(cart))).toEqual(cart);
  const text = cartAsText({ ...carts[0]![1], name: 'Для 凧 🪁' });
  expect(cartFromText(text)?.name).toBe('Для 凧 🪁');
  fc.assert(
    fc.property(fc.integer({ min: 0, max: text.length - 1 }), (length) => {
      expect(cartFromText(text.slice(0, length))).toBeNull();
    }),
  );
});

describe('what comes from outside is checked in all its parts', () => {
  const [, whole] = carts[0]!;
  test.each<[string, unknown, RegExp]>([
    [
      'a quantity that is none',
      { ...whole, lines: { spinner: { order: 1, quantity: -3 } } },
      /quantity.* must be >= 1/,
    ],
    ['something unknown', { ...whole, colour: 'red' }, /colour.* is not a known property/],
    ['a country in words', { ...whole, destination: { country: 'Norway', postcode: '' } }, /country/],
    ['groups that are no list', { ...whole, shopper: { signedIn: true, groups: 'members' } }, /groups/],
  ])('%s', (_, cart, reason) => {
    const check = checkTestCarts({ odd: cart });
    expect(check).toMatchObject({ ok: false, reason: expect.stringMatching(reason) });
    expect(check.ok ? '' : check.reason).toContain('“odd”');
    expect(cartFromText(cartAsText(cart as typeof whole))).toBeNull();
  });
  test('the check in the browser is that of the schema', async () => {
    expect(await readFile(validatorsFile, 'utf8')).toBe(await validators());
  });
  test('it agrees with the policy’s own check on carts changed at random', () => {
    const odd = fc.oneof(fc.constant(null), fc.integer(), fc.string(), fc.constant([]), fc.constant({}));
    fc.assert(
      fc.property(fc.constantFrom(...carts), fc.nat(), odd, ([id, cart], at, value) => {
        const keys = Object.keys(cart) as (keyof typeof cart)[];
        const changed = { ...cart, [keys[at % keys.length]!]: value };
        const whole = checkPolicy({ ...demoPolicy, testCarts: { ...demoPolicy.testCarts, [id]: changed } });
        // What a reference leads to is for the policy alone to say, so that only its refusals by shape count.
        if (!checkTestCarts({ [id]: changed }).ok) expect(whole.ok).toBe(false);
        if (whole.ok) expect(checkTestCarts({ [id]: changed }).ok).toBe(true);
      }),
    );
  });
});
