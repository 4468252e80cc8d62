import { expect, test } from 'vitest';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../demo/products.ts';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { somewhereIn } from '../../src/core/evaluation/somewhere-in.ts';
import { seededRandom } from '../../src/core/statistics/random.ts';
import { isStanding } from '../../src/core/surfaces/generated/standing-policy.ts';
import { shippedWords } from '../../src/core/surfaces/words/known-languages.ts';
import { call } from '../support/api.ts';
import { priceByRows, readPolicyPage } from '../support/read-policy-page.ts';
import { address } from '../support/server-here.ts';

interface Quoted {
  zone: string;
  goodsValue: number;
  options: { id: string; label: string; priceAfter: number }[];
  goals: { offer: string; status: string; remaining: number | null }[];
}

const plain = demoProducts.filter(
  ({ needsDelivery, shipsFree, ownDelivery, countsTowardGoals, notTo, weightGrams }) =>
    needsDelivery && !shipsFree && !ownDelivery && countsTowardGoals && notTo.length === 0 && weightGrams !== null,
);
const random = seededRandom(20_261_129);
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;

const compiled = compilePolicy(demoPolicy);
const places = [...compiled.markets.values()].flatMap((market) =>
  market.zones.flatMap((zone) => {
    const destination = somewhereIn(compiled, zone);
    return destination ? [{ market, zone, destination }] : [];
  }),
);

function randomCart() {
  const place = pick(places);
  const sold = plain.filter(({ prices }) => prices[place.market.id] !== undefined);
  const lines = Array.from({ length: 1 + Math.floor(random() * 4) }, () => ({
    product: pick(sold),
    quantity: 1 + Math.floor(random() * 4),
  }));
  return { ...place, lines, language: place.market.market.languages[0]! };
}
type Cart = ReturnType<typeof randomCart>;

async function quoted(carts: readonly Cart[]): Promise<Quoted[]> {
  const { status, body } = await call<{ quotes: { quote: Quoted }[] }>(address, 'POST', '/api/quotes', {
    body: {
      carts: carts.map(({ lines, destination, language }) => ({
        lines: lines.map(({ product, quantity }) => ({ product: product.id, quantity })),
        destination,
        language,
      })),
    },
  });
  expect(status).toBe(200);
  return body.quotes.map(({ quote }) => quote);
}

const pages = new Map<string, ReturnType<typeof readPolicyPage>>();
async function pageOf({ market, language }: Cart) {
  const path = `/published/${market.id}/${language}/policy-page.html`;
  if (!pages.has(path)) pages.set(path, readPolicyPage(await (await fetch(new URL(path, address))).text()));
  return pages.get(path)!;
}

/** What some are given by conditions, dates or goods stands among the offers of the page, not in its tables. */
const isGivenMore = ({ goals }: Quoted): boolean =>
  goals.some(
    ({ offer, status, remaining }) => status === 'inForce' && remaining === 0 && !isStanding(demoPolicy.offers[offer]!),
  );

test('for 2,000 random carts the tables of the published page say what the quote does', async () => {
  let [count, compared, inWords] = [0, 0, 0];
  while (count < 2000) {
    const carts = Array.from({ length: 100 }, randomCart);
    const quotes = await quoted(carts);
    for (const [index, cart] of carts.entries()) {
      const quote = quotes[index]!;
      if (isGivenMore(quote)) continue;
      count++;
      expect(quote.zone).toBe(cart.zone.id);
      const options = (await pageOf(cart)).get(cart.zone.zone.name)!;
      const weight = cart.lines.reduce((sum, { product, quantity }) => sum + product.weightGrams! * quantity, 0);
      const order = {
        goodsValue: quote.goodsValue,
        items: cart.lines.reduce((sum, { quantity }) => sum + quantity, 0),
        weight,
        // What the demo’s goods are packed in weighs 150 g, and what is far below 20 kg goes into one parcel.
        packedWeight: weight < 15_000 ? weight + 150 : null,
      };
      const { currency, cashIncrement: step = 1 } = cart.market.market;
      for (const { label, priceAfter } of quote.options) {
        const read = priceByRows(options.get(label) ?? [], order, shippedWords(cart.language)!, currency);
        // The page says to what prices are rounded.
        const said = read === null ? null : Math.round(read / step) * step;
        if (said === null) inWords++;
        else {
          expect({ label, said, order }).toEqual({ label, said: priceAfter, order });
          compared++;
        }
      }
    }
  }
  // Charges that look at sizes, parcels or carriers are told in words, which this reader does not know.
  expect(compared).toBeGreaterThan(2000);
  expect(inWords).toBeLessThan(compared / 2);
});
