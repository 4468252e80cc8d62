import { expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../../demo/products.ts';
import { catalogueOf } from '../catalogue/product.ts';
import { compilePolicy } from './compile.ts';
import { evaluatePrepared } from './evaluate.ts';
import { leadOrder } from './lead-order.ts';
import { prepare } from './prepare.ts';
import { inputOfTestCart } from './test-cart-input.ts';

const compiled = compilePolicy(demoPolicy);
const catalogue = catalogueOf(demoProducts);
const now = Date.parse('2026-11-25T11:00Z');
const prepared = (id: string) => prepare(compiled, inputOfTestCart(demoPolicy.testCarts[id]!, catalogue, now).input);

test.each(Object.keys(demoPolicy.testCarts))(
  '%s: the one that leads is the one whose message is read, and every offer and notice of the zone is named once',
  (id) => {
    const evaluation = evaluatePrepared(prepared(id));
    const { lead, offers, options } = evaluation;
    const order = leadOrder(prepared(id), evaluation);
    expect(order.flatMap(({ rank, speakerId }) => (rank === 'leads' ? [speakerId] : []))).toEqual(
      lead ? [lead.speakerId] : [],
    );
    const { notices = {} } = demoPolicy;
    const named = order.map(({ speakerId }) => speakerId);
    expect(named.filter((one) => !Object.hasOwn(notices, one))).toEqual(
      options.length > 0 ? offers.map(({ offerId }) => offerId) : [],
    );
    expect(new Set(named).size).toBe(named.length);
  },
);

test('why others are silent or wait', () => {
  const byOffer = (id: string) =>
    Object.fromEntries(
      leadOrder(prepared(id), evaluatePrepared(prepared(id))).map((one) => [
        one.speakerId,
        one.rank === 'silent' ? one.because : one.rank,
      ]),
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
