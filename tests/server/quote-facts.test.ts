import { describe, expect, test } from 'vitest';
import { call, type ProblemBody } from '../support/api.ts';
import { address } from '../support/server-here.ts';

interface QuoteBody {
  goodsValue: number;
  lines: { product: string; sku: string; quantity: number; unitPrice: number; value: number; taxRate: string }[];
  options: { id: string; priceAfter: number }[];
  goals: { offer: string; counted: number }[];
  noOptions: string | null;
}
const quote = (lines: readonly unknown[], destination: object = { country: 'NL', postcode: '1799 ZA' }) =>
  call<QuoteBody & ProblemBody>(address, 'POST', '/api/quote', { body: { lines, destination } });

describe('a line that brings its own facts along', () => {
  test('is priced by them where the catalogue has no such product', async () => {
    const { status, body } = await quote([
      { product: 'SHOP-77', quantity: 2, facts: { unitPrice: 1250, weightGrams: 300, categories: ['kites'] } },
    ]);
    expect(status).toBe(200);
    expect(body.lines).toMatchObject([
      { product: 'SHOP-77', sku: 'SHOP-77', quantity: 2, unitPrice: 1250, value: 2500 },
    ]);
    expect(body.goodsValue).toBe(2500);
    expect(body.options.length).toBeGreaterThan(0);
  });
  test('wins over the catalogue for that line alone', async () => {
    const { body } = await quote([
      { product: 'tidewing-16', quantity: 1, facts: { unitPrice: 990 } },
      { product: 'tidewing-16', quantity: 1 },
    ]);
    expect(body.lines.map(({ unitPrice }) => unitPrice)).toEqual([990, 3995]);
    const counting = await quote([{ product: 'tidewing-16', quantity: 1, facts: { countsTowardGoals: false } }]);
    expect(counting.body.goals.find(({ offer }) => offer === 'free-delivery')).toMatchObject({ counted: 0 });
  });
  test('is heavy, downloaded or kept away as it says', async () => {
    const nothing = await quote([{ product: 'tidewing-16', quantity: 1, facts: { needsDelivery: false } }]);
    expect(nothing.body.noOptions).toBe('nothingToDeliver');
    const barred = await quote([{ product: 'tidewing-16', quantity: 1, facts: { notTo: ['NL'] } }]);
    expect(barred.body.noOptions).toBe('goodsBarred');
    const free = await quote([{ product: 'tidewing-16', quantity: 1, facts: { shipsFree: true } }]);
    expect(free.body.options[0]!.priceAfter).toBe(0);
  });
  test('is of the market that was found, or chosen', async () => {
    const line = { product: 'SHOP-77', quantity: 1, facts: { unitPrice: 1200 } };
    const { body } = await quote([line], { country: 'JP', postcode: '100-0001' });
    expect(body.goodsValue).toBe(1200);
    const elsewhere = await quote([line], { country: 'CA', postcode: 'K1A 0B1' });
    expect([elsewhere.body.fields, elsewhere.status]).toEqual([undefined, 200]);
  });
  test('is refused by name where a price is missing, or a fact is none', async () => {
    const unpriced = await quote([{ product: 'SHOP-77', quantity: 1, facts: { weightGrams: 300 } }]);
    expect([unpriced.status, unpriced.body.fields]).toEqual([
      422,
      [expect.objectContaining({ pointer: '/lines/0/facts/unitPrice' })],
    ]);
    const bare = await quote([{ product: 'SHOP-77', quantity: 1 }]);
    expect([bare.status, bare.body.fields]).toEqual([422, [expect.objectContaining({ pointer: '/lines/0/product' })]]);
    for (const [facts, at] of [
      [{}, '/lines/0/facts'],
      [{ unitPrice: 12.5 }, '/lines/0/facts/unitPrice'],
      [{ unitPrice: -1 }, '/lines/0/facts/unitPrice'],
      [{ unitPrice: 1, sizeMm: [1, 2] }, '/lines/0/facts/sizeMm'],
      [{ unitPrice: 1, colour: 'red' }, '/lines/0/facts/colour'],
      [{ unitPrice: 1, notTo: ['Mars'] }, '/lines/0/facts/notTo/0'],
    ] as const) {
      const refused = await quote([{ product: 'SHOP-77', quantity: 1, facts }]);
      expect([refused.status, refused.body.fields!.map(({ pointer }) => pointer)]).toEqual([
        422,
        expect.arrayContaining([at]),
      ]);
    }
  });
});
