import fc from 'fast-check';
import { expect, test } from 'vitest';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../demo/products.ts';
import { measureCart } from '../../src/core/cart/measures.ts';
import { catalogueOf } from '../../src/core/catalogue/product.ts';
import { compilePolicy, type CompiledPolicy } from '../../src/core/evaluation/compile.ts';
import { evaluate } from '../../src/core/evaluation/evaluate.ts';
import type { Evaluation, EvaluationInput, LeadMessage } from '../../src/core/evaluation/evaluation.ts';
import { taxRatesAt } from '../../src/core/markets/terms.ts';
import { goodsThatBring } from '../../src/core/offers/added-goods.ts';
import { quoteAnswer } from '../../src/core/quote/quote-answer.ts';
import { saysFree } from '../../src/core/wording/free-words.ts';
import { placeIds } from '../../src/core/wording/places.ts';
import { renderLead } from '../../src/core/wording/render.ts';
import { randomInput, randomPolicy } from '../support/random-policy.ts';

const isAhead = ({ state }: LeadMessage) => !['reached', 'missedOut', 'notice'].includes(state);
const goalOf = (compiled: CompiledPolicy, { marketId, zoneId }: Evaluation, { speakerId, goalId }: LeadMessage) =>
  compiled.markets
    .get(marketId!)!
    .zones.find(({ id }) => id === zoneId)!
    .offers.find(({ id }) => id === speakerId)!
    .goals.find(({ id }) => id === goalId)!;

/** The cart with goods that bring what a message asks for. */
function withWhatIsAsked(
  compiled: CompiledPolicy,
  input: EvaluationInput,
  evaluation: Evaluation,
  message: LeadMessage,
): Evaluation {
  const { terms } = compiled.markets.get(evaluation.marketId!)!;
  const cart = measureCart(input.cart, terms, taxRatesAt(terms, input.destination.region), input.destination);
  const { product, quantity, unitPrice } = goodsThatBring(
    message.arguments.remaining,
    goalOf(compiled, evaluation, message).counts,
    cart,
  )!;
  return evaluate(compiled, {
    ...input,
    cart: {
      ...input.cart,
      lines: [...input.cart.lines, { product: { ...product, prices: { [terms.id]: unitPrice } }, quantity }],
    },
  });
}

/** What an offer is credited with: prices, goods and gifts. */
const credits = ({ options, goodsRewarded, gifts }: Evaluation, offer: string): boolean =>
  [...options.flatMap(({ setBy }) => setBy), ...goodsRewarded.setBy, ...gifts].some(({ offerId }) => offerId === offer);
const lowest = ({ options }: Evaluation): number => Math.min(...options.map(({ after }) => after));

test('whoever is told a reward is given it', () => {
  const seen = { reached: 0, ahead: 0 };
  fc.assert(
    fc.property(randomPolicy, randomInput, (policy, input) => {
      const compiled = compilePolicy(policy);
      const evaluation = evaluate(compiled, input);
      for (const message of evaluation.speakers) {
        if (message.state === 'missedOut' || message.state === 'notice') continue;
        const goal = goalOf(compiled, evaluation, message);
        const free = goal.rewards.filter(({ kind }) => kind === 'deliveryFree');
        const isFreeIn = ({ options }: Evaluation) =>
          free.some(
            (reward) =>
              'options' in reward && options.some(({ optionId, after }) => reward.options.has(optionId) && after === 0),
          );
        if (message.state === 'reached') {
          seen.reached++;
          expect(credits(evaluation, message.speakerId)).toBe(true);
          if (free.length > 0) expect(isFreeIn(evaluation)).toBe(true);
          continue;
        }
        seen.ahead++;
        const then = withWhatIsAsked(compiled, input, evaluation, message);
        expect(
          then.offers
            .find(({ offerId }) => offerId === message.speakerId)!
            .goals.find(({ goalId }) => goalId === message.goalId)!.reached,
        ).toBe(true);
        if (free.length > 0) expect(isFreeIn(then)).toBe(true);
        const fixed = goal.rewards[0]!;
        if (
          goal.rewards.length === 1 &&
          fixed.kind === 'deliveryAt' &&
          fixed.acts === 'onDelivery' &&
          !fixed.coversOwnDelivery &&
          then.measures!.ownDelivery === 0 &&
          policy.markets.here!.cashIncrement === undefined
        )
          expect(lowest(then)).toBeLessThanOrEqual(fixed.amount);
      }
    }),
    { numRuns: 3000 },
  );
  expect(seen.reached).toBeGreaterThan(100);
  expect(seen.ahead).toBeGreaterThan(60);
}, 120_000);

const piecesOf = ({ gifts }: Evaluation, product: string): number =>
  gifts.reduce((sum, gift) => (gift.product === product ? sum + gift.quantity : sum), 0);

test('what is asked for is the least that suffices among offers that lead to it', () => {
  let several = 0;
  fc.assert(
    fc.property(randomPolicy, randomInput, (policy, input) => {
      const compiled = compilePolicy(policy);
      const evaluation = evaluate(compiled, input);
      const ahead = evaluation.speakers.filter(isAhead);
      if (ahead.length < 2) return;
      several++;
      // Each goal alone reached, by a policy in which it asks for nothing: what it leads to in this very cart.
      const leadsTo = ({ speakerId, goalId }: LeadMessage) => {
        const changed = structuredClone(policy);
        const goal = changed.offers[speakerId]!.goals[goalId!]!;
        goal.targets.here = goal.measure.kind === 'countedValue' ? { exact: 0 } : { count: 0 };
        return evaluate(compilePolicy(changed), input);
      };
      const asGood = (one: Evaluation, other: Evaluation) =>
        one.options.every(({ after }, index) => after <= other.options[index]!.after) &&
        one.goodsRewarded.off >= other.goodsRewarded.off &&
        other.gifts.every(({ product }) => piecesOf(one, product) >= piecesOf(other, product));
      const [first, ...others] = ahead;
      for (const other of others) {
        if (
          other.arguments.measure !== first!.arguments.measure ||
          other.arguments.remaining >= first!.arguments.remaining
        )
          continue;
        expect(asGood(leadsTo(other), leadsTo(first!))).toBe(false);
      }
    }),
    { numRuns: 3000 },
  );
  expect(several).toBeGreaterThan(30);
}, 120_000);

test('a bar has a text, and every message says which offer or notice it is of', () => {
  let silent = 0;
  let read = 0;
  fc.assert(
    fc.property(randomPolicy, randomInput, (policy, input) => {
      const compiled = compilePolicy(policy);
      const answer = quoteAnswer(compiled, evaluate(compiled, input));
      if (answer.messages.length === 0) {
        silent++;
        expect(answer).toMatchObject({ percent: null, lead: null, deadline: null });
        return;
      }
      read++;
      expect(answer.percent).toBe(answer.messages[0]!.percent);
      for (const { text, offer, goal, notice, percent, state } of answer.messages) {
        expect(text.trim()).not.toBe('');
        expect(notice === null).toBe(state !== 'notice');
        if (notice !== null) {
          expect({ offer, goal, percent }).toEqual({ offer: null, goal: null, percent: null });
          continue;
        }
        expect(answer.goals.find((one) => one.offer === offer && one.goal === goal)).toBeDefined();
        expect(percent === 100).toBe(state === 'reached');
      }
    }),
    { numRuns: 2000 },
  );
  expect(silent).toBeGreaterThan(100);
  expect(read).toBeGreaterThan(100);
}, 60_000);

test('on the demo, whoever reads that delivery is free has an option that costs nothing, and whoever is told to add for it gets one', () => {
  const compiled = compilePolicy(demoPolicy);
  const catalogue = catalogueOf(demoProducts);
  const destinations = [
    ...Object.values(demoPolicy.testCarts).map(({ destination }) => destination),
    { country: 'NL', postcode: '8891' },
  ];
  const shoppers = Object.values(demoPolicy.shoppers ?? {}).map(({ shopper }) => shopper);
  const seen = { free: 0, promised: 0 };
  fc.assert(
    fc.property(
      fc.array(fc.record({ id: fc.constantFrom(...catalogue.keys()), quantity: fc.integer({ min: 1, max: 4 }) }), {
        minLength: 1,
        maxLength: 4,
      }),
      fc.constantFrom(...destinations),
      fc.option(fc.constantFrom(...shoppers), { nil: undefined }),
      fc.constantFrom('en-GB', 'nl-NL', 'de-DE', 'da-DK', 'ja-JP', 'fr-BE'),
      fc.constantFrom('2026-11-25T11:00Z', '2027-03-27T10:00Z'),
      (lines, destination, shopper, language, at) => {
        const input: EvaluationInput = {
          cart: { lines: lines.map(({ id, quantity }) => ({ product: catalogue.get(id)!, quantity })) },
          destination,
          instant: Date.parse(at),
          ...(shopper ? { shopper } : {}),
        };
        const evaluation = evaluate(compiled, input);
        for (const place of placeIds) {
          const read = renderLead(compiled, evaluation, place, language);
          if (!read || !saysFree(read.text, read.found.language) || read.message.state === 'missedOut') continue;
          if (read.message.state === 'reached') {
            seen.free++;
            expect(evaluation.options.some(({ after }) => after === 0) || evaluation.gifts.length > 0).toBe(true);
          } else {
            seen.promised++;
            const then = withWhatIsAsked(compiled, input, evaluation, read.message);
            expect(then.options.some(({ after }) => after === 0) || then.gifts.length > 0).toBe(true);
          }
        }
      },
    ),
    { numRuns: 3000 },
  );
  expect(seen.free).toBeGreaterThan(300);
  expect(seen.promised).toBeGreaterThan(300);
}, 60_000);
