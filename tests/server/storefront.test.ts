import fc from 'fast-check';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { beforeAll, expect, test } from 'vitest';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../demo/products.ts';
import { catalogueOf } from '../../src/core/catalogue/product.ts';
import { carriersOf } from '../../src/core/charges/carriers-of.ts';
import { compilePolicy, type CompiledPolicy } from '../../src/core/evaluation/compile.ts';
import { formatMoney } from '../../src/core/money/format.ts';
import type { Policy, TestCart } from '../../src/core/policy/types.ts';
import type { QuoteAnswer } from '../../src/core/quote/quote-answer.ts';
import { shopSheet } from '../../src/core/quote/shop-sheet.ts';
import { rehearse } from '../../src/islands/rehearsal/rehearse-cart.ts';
import { shopOf } from '../../src/islands/rehearse/shop-of.ts';
import { Storefront } from '../../src/islands/storefront/Storefront.tsx';
import { call } from '../support/api.ts';
import { address } from '../support/server-here.ts';

const catalogue = catalogueOf(demoProducts);
let compiled: CompiledPolicy;
let release: number;

beforeAll(async () => {
  release = (await call<{ releases: { number: number }[] }>(address, 'GET', '/api/releases')).body.releases[0]!.number;
  compiled = compilePolicy((await call<{ policy: Policy }>(address, 'GET', `/api/releases/${release}`)).body.policy);
});

const languages = [...new Set(Object.values(demoPolicy.markets).flatMap((market) => market.languages))];
const carts = Object.values(demoPolicy.testCarts);
const carriers = [...new Set(Object.values(demoPolicy.options).flatMap(({ charge }) => carriersOf(charge)))];
const shoppers = Object.values(demoPolicy.shoppers ?? {}).map(({ shopper }) => shopper);

/** A cart as somebody could put it together, of the demo's products, places, shoppers and codes. */
const cart: fc.Arbitrary<TestCart> = fc
  .record({
    lines: fc.uniqueArray(
      fc.record({
        product: fc.constantFrom(...demoProducts.map(({ id }) => id)),
        quantity: fc.integer({ min: 1, max: 6 }),
      }),
      { selector: ({ product }) => product, minLength: 1, maxLength: 5 },
    ),
    destination: fc.oneof(
      fc.constantFrom(...carts.map(({ destination }) => destination)),
      fc.record({
        country: fc.constantFrom('NL', 'BE', 'LU', 'DE', 'AT', 'GB', 'DK', 'CH', 'US', 'JP', 'FR'),
        postcode: fc.constantFrom('', '1000', '1799 ZA', '27499', 'ZE2 9XX'),
      }),
    ),
    shopper: fc.option(fc.constantFrom(...shoppers), { nil: undefined }),
    codes: fc.option(
      fc.constantFrom('GUST10', 'POSTCARD', 'SCHOOL').map((code) => [code]),
      { nil: undefined },
    ),
    channel: fc.option(fc.constantFrom('web', 'app', 'counter'), { nil: undefined }),
    language: fc.constantFrom(...languages),
    quote: fc.option(fc.integer({ min: 100, max: 3000 }), { nil: null }),
  })
  .map(({ lines, destination, shopper, codes, channel, language, quote }) => ({
    order: 1,
    name: 'any',
    pinned: false,
    language,
    destination,
    lines: Object.fromEntries(lines.map(({ product, quantity }, index) => [product, { order: index + 1, quantity }])),
    quotes: Object.fromEntries(carriers.map((carrier) => [carrier, quote])),
    ...(shopper ? { shopper } : {}),
    ...(codes ? { codes } : {}),
    ...(channel ? { channel } : {}),
  }));

/** Moments in hours lie some milliseconds apart: asked and computed at another time. */
const withoutMoments = (answer: QuoteAnswer) => ({
  ...answer,
  options: answer.options.map(({ estimate, ...option }) => ({
    ...option,
    estimate: 'leaves' in estimate && estimate.unit === 'hours' ? estimate.unit : estimate,
  })),
});

/** Text of a page, as a reader has it, its parts apart. */
const readable = (markup: string) =>
  markup
    .replace(/<[^>]+>/g, '\n')
    .replaceAll('&amp;', '&')
    .replaceAll('&#x27;', "'")
    .replaceAll('&quot;', '"')
    .replaceAll('&lt;', '<')
    .replaceAll('&gt;', '>')
    .split('\n')
    .filter((part) => part.trim() !== '');

test('a thousand random carts: the shop on the table shows exactly what the shop is told', async () => {
  let withOptions = 0;
  let withMessages = 0;
  await fc.assert(
    fc.asyncProperty(cart, async (one) => {
      const { order: _, name: __, pinned: ___, lines, ...asked } = one;
      const body = { ...asked, lines: Object.entries(lines).map(([product, { quantity }]) => ({ product, quantity })) };
      const reply = await call<
        QuoteAnswer & {
          release: number;
          carriersSilent: string[];
          carriersLastKnown: string[];
          closing: null;
          reserved: null;
          answerFaults: null;
          arms: string[];
          signed: null;
          title?: string;
        }
      >(address, 'POST', '/api/quote', { body });
      const rehearsal = rehearse(compiled, catalogue, one, Date.now());
      if ((rehearsal.evaluation.measures?.unpriced.length ?? 0) > 0) return void expect(reply.status).toBe(422);
      expect(reply.status).toBe(200);
      const { release: from, carriersSilent, carriersLastKnown, answerFaults, ...rest } = reply.body;
      const { arms, closing, reserved, signed, ...told } = rest;
      expect(answerFaults).toBeNull();
      expect([carriersSilent, carriersLastKnown, arms, closing, reserved, signed]).toEqual([
        [],
        [],
        [],
        null,
        null,
        null,
      ]);
      expect(from).toBe(release);
      const { answer, sheet } = shopOf(compiled, catalogue, one, rehearsal);
      expect(withoutMoments(answer)).toEqual(withoutMoments(told));

      // What is drawn holds every text and price of the answer, written out here once more, and no other amount.
      const terms = told.market ? compiled.markets.get(told.market)!.terms : undefined;
      expect(shopSheet(told, [], terms?.shownWithTax ?? true, one.language).options).toEqual(sheet.options);
      const drawn = readable(
        renderToStaticMarkup(
          createElement(Storefront, {
            sheet,
            look: told.look,
            shopName: 'Shop',
            language: one.language,
            width: 'phone',
            now: Date.now(),
            deadline: null,
            timeZone: 'UTC',
          }),
        ),
      );
      const money = (minor: number) => formatMoney(minor, told.currency!, one.language);
      for (const { text } of told.messages) expect(drawn).toContain(text);
      for (const { label, priceAfter, priceBefore } of told.options) {
        const at = drawn.indexOf(label);
        expect(drawn.slice(at + 1, at + 4)).toContain(money(priceAfter));
        if (priceBefore !== priceAfter) expect(drawn[at + 1]).toBe(money(priceBefore));
      }
      if (told.totals) expect(drawn.at(-1)).toBe(money(told.totals.toPay));
      if (told.outOfArea) expect(drawn).toContain(told.outOfArea);
      withOptions += told.options.length > 0 ? 1 : 0;
      withMessages += told.messages.length > 0 ? 1 : 0;
    }),
    { numRuns: 1000 },
  );
  expect(withOptions).toBeGreaterThan(400);
  expect(withMessages).toBeGreaterThan(200);
}, 240_000);

test('a past order is found by its number; one that is not there is said not to be', async () => {
  expect(await call(address, 'GET', '/api/orders/order?number=none')).toMatchObject({ status: 404 });
  expect(await call(address, 'GET', '/api/orders/order')).toMatchObject({ status: 422 });
});
