import { expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../../demo/products.ts';
import { catalogueOf } from '../catalogue/product.ts';
import { compilePolicy } from './compile.ts';
import { evaluate } from './evaluate.ts';
import { leadOrder } from './lead-order.ts';
import { inputOfTestCart } from './test-cart-input.ts';

const compiled = compilePolicy(demoPolicy);
const catalogue = catalogueOf(demoProducts);
const now = Date.parse('2026-11-25T11:00Z');
const inputOf = (id: string) => inputOfTestCart(demoPolicy.testCarts[id]!, catalogue, now).input;

test.each(Object.keys(demoPolicy.testCarts))(
  '%s: the one that leads is the one whose message is read, and every offer of the zone is named once',
  (id) => {
    const input = inputOf(id);
    const { lead, offers, options } = evaluate(compiled, input);
    const order = leadOrder(compiled, input);
    expect(order.flatMap(({ rank, offerId }) => (rank === 'leads' ? [offerId] : []))).toEqual(
      lead ? [lead.offerId] : [],
    );
    expect(order.map(({ offerId }) => offerId)).toEqual(options.length > 0 ? offers.map(({ offerId }) => offerId) : []);
  },
);

test('why others are silent or wait', () => {
  const byOffer = (id: string) =>
    Object.fromEntries(
      leadOrder(compiled, inputOf(id)).map((one) => [one.offerId, one.rank === 'silent' ? one.because : one.rank]),
    );
  expect(byOffer('member-midweek')).toMatchObject({
    'members-sooner': 'leads',
    'free-delivery': 'after',
    'windy-weekend': 'notYet',
    trade: 'notForShopper',
    campaign: 'needsCode',
  });
  expect(byOffer('member-there')).toMatchObject({ 'members-sooner': 'leads', 'free-delivery': 'freeAlready' });
  expect(byOffer('newcomer-again')).toMatchObject({ 'first-order': 'usedUp' });
});
