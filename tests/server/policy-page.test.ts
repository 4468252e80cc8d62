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

test(
  'for 2,000 random carts the tables of the published page say what the quote does',
  { timeout: 600_000 },
  async () => {
    const compiled = compilePolicy(demoPolicy);
    const random = seededRandom(20_261_129);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
    const places = [...compiled.markets.values()].flatMap((market) =>
      market.zones.flatMap((zone) => {
        const destination = somewhereIn(compiled, zone);
        return destination ? [{ market, zone, destination }] : [];
      }),
    );
    const pages = new Map<string, ReturnType<typeof readPolicyPage>>();
    let [carts, compared, inWords] = [0, 0, 0];
    while (carts < 2000) {
      const { market, zone, destination } = pick(places);
      const language = market.market.languages[0]!;
      const key = `${market.id}/${language}`;
      if (!pages.has(key)) {
        const response = await fetch(new URL(`/published/${key}/policy-page.html`, address));
        expect(response.status).toBe(200);
        pages.set(key, readPolicyPage(await response.text()));
      }
      const sold = plain.filter(({ prices }) => prices[market.id] !== undefined);
      const lines = Array.from({ length: 1 + Math.floor(random() * 4) }, () => ({
        product: pick(sold),
        quantity: 1 + Math.floor(random() * 4),
      }));
      const { status, body } = await call<Quoted>(address, 'POST', '/api/quote', {
        body: {
          lines: lines.map(({ product, quantity }) => ({ product: product.id, quantity })),
          destination,
          language,
        },
      });
      expect(status, JSON.stringify(body)).toBe(200);
      // What some are given by conditions, dates or goods stands among the offers of the page, not in its tables.
      const others = body.goals.some(
        ({ offer, status: is, remaining }) =>
          is === 'inForce' && remaining === 0 && !isStanding(demoPolicy.offers[offer]!),
      );
      if (others) continue;
      carts++;
      expect(body.zone).toBe(zone.id);
      const options = pages.get(key)!.get(zone.zone.name)!;
      const weight = lines.reduce((sum, { product, quantity }) => sum + product.weightGrams! * quantity, 0);
      const order = {
        goodsValue: body.goodsValue,
        items: lines.reduce((sum, { quantity }) => sum + quantity, 0),
        weight,
        // What the demo’s goods are packed in weighs 150 g, and what is far below 20 kg goes into one parcel.
        packedWeight: weight < 15_000 ? weight + 150 : null,
      };
      for (const { label, priceAfter } of body.options) {
        const rows = options.get(label) ?? [];
        const read = priceByRows(rows, order, shippedWords(language)!, market.market.currency);
      // The page says to what prices are rounded.
      const step = market.market.cashIncrement ?? 1;
      const said = read === null ? null : Math.round(read / step) * step;
        if (said === null) inWords++;
        else {
          expect({ label, said, order }).toEqual({ label, said: priceAfter, order });
          compared++;
        }
      }
    }
    // Charges that look at sizes, parcels or carriers are told in words, which this reader does not know.
    expect(compared).toBeGreaterThan(2000);
    expect(inWords).toBeLessThan(compared / 2);
  },
);
