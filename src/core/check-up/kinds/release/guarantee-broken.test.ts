import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../../../../demo/products.ts';
import { tree, type Node } from '../../../../../tests/support/conditions.ts';
import { changed } from '../../../../../tests/support/evaluate-store.ts';
import { examinedDemo } from '../../../../../tests/support/planted/examined-demo.ts';
import { evaluate } from '../../../evaluation/evaluate.ts';
import { inputOfTestCart } from '../../../evaluation/test-cart-input.ts';
import { formatMoney } from '../../../money/format.ts';
import type { GuaranteeClaim, Policy } from '../../../policy/types.ts';
import type { Found } from '../../finding.ts';
import { guaranteeBroken } from './guarantee-broken.ts';

const plain = (text: string): string => text.replaceAll(/\s/g, ' ');

test('says of the cart beside it what its goods come to, and what it pays', () => {
  const claim: GuaranteeClaim = { kind: 'costsAtMost', of: 'each', on: { by: 'all' }, atMost: 900 };
  const policy = changed(demoPolicy, (copy) => {
    copy.guarantees = { it: { order: 1, name: 'It', on: true, claim } };
  });
  const examined = examinedDemo(policy, demoProducts);
  const shown = guaranteeBroken
    .find(examined)
    .flatMap((one) => ('because' in one || !one.example ? [] : [{ ...one, example: one.example }]));
  expect(shown.length).toBeGreaterThan(2);
  for (const { sentence, example } of shown) {
    const { input } = inputOfTestCart(example, examined.catalogue, examined.now);
    const { options, measures, currency } = evaluate(examined.compiled, input);
    const money = (minor: number) => plain(formatMoney(minor, currency!, 'en-GB'));
    const said = plain(sentence);
    expect(said).toContain(`with goods of ${money(measures!.goodsValue)}`);
    expect(said).toContain(`costs ${money(Math.max(...options.map(({ after }) => after)))}.`);
    const pieces = /, (\d+) pieces/.exec(said)?.[1];
    if (pieces) expect(Number(pieces)).toBe(measures!.items);
  }
  // Some break it only with weight or pieces.
  expect(shown.some(({ sentence }) => / that weigh |pieces/.test(sentence))).toBe(true);
});

test('shows it with a cart that its condition is about', () => {
  const light: Node = { kind: 'number', fact: 'cart.weight', operator: 'atMost', value: 5000 };
  const policy = changed(demoPolicy, (copy) => {
    const claim: GuaranteeClaim = {
      kind: 'costsAtMost',
      of: 'each',
      on: { by: 'kind', kinds: ['parcel'] },
      atMost: 1500,
    };
    copy.guarantees = { it: { order: 1, name: 'It', on: true, when: tree('all', light), claim } };
  });
  const examined = examinedDemo(policy, demoProducts);
  const said = guaranteeBroken.find(examined);
  const japan = said.find((one) => 'marketId' in one && one.marketId === 'jp');
  expect(japan).toMatchObject({ example: { lines: expect.anything() as unknown } });
  const { input } = inputOfTestCart((japan as Found).example!, examined.catalogue, examined.now);
  const { measures, options } = evaluate(examined.compiled, input);
  expect(measures!.charged.weight).toBeLessThanOrEqual(5000);
  expect(plain((japan as Found).sentence)).toContain(`costs ${plain(formatMoney(options[0]!.after, 'JPY', 'en-GB'))}`);
});

describe('an arm of an experiment that breaks a guarantee', () => {
  const brokenBy = (target: number, claim: GuaranteeClaim, change: (copy: Policy) => void = () => {}) => {
    const policy = changed(demoPolicy, (copy) => {
      copy.experiments!['higher-goal-dk']!.arms.higher!.version = { kind: 'target', target: { exact: target } };
      const from600: Node = {
        kind: 'money',
        basis: 'afterDiscountsAsShown',
        fact: 'cart.goodsValue',
        operator: 'atLeast',
        amounts: { dk: { exact: 60_000 } },
      };
      const when = claim.kind === 'free' ? { when: tree('all', from600), markets: { dk: true as const } } : {};
      copy.guarantees = { it: { order: 1, name: 'It', on: true, claim, ...when } };
      change(copy);
    });
    return guaranteeBroken.find(examinedDemo(policy, demoProducts)).flatMap((one) => ('sentence' in one ? one : []));
  };
  const free: GuaranteeClaim = { kind: 'free', of: 'each', on: { by: 'list', options: { 'dk-door': true } } };
  const agree: GuaranteeClaim = { kind: 'goalsAgree', offer: 'free-delivery', within: 90 };

  test.each([
    ['in its market', free],
    ['beside other markets', agree],
  ])('is found, %s, and one that keeps it is not', (_, claim) => {
    expect(brokenBy(59_900, claim)).toEqual([]);
    const [found, ...others] = brokenBy(250_000, claim);
    expect(others).toEqual([]);
    expect(found).toMatchObject({ marketId: 'dk', example: null });
    expect(found!.sentence).toContain(
      '“It” does not hold in “Denmark” for shoppers who see “from 599” of experiment “A higher goal in Denmark”',
    );
  });

  test('is not looked for once the experiment is over', () => {
    const outcome = { endedOn: '2026-11-01', kept: null, learnt: '' };
    expect(brokenBy(250_000, free, (copy) => (copy.experiments!['higher-goal-dk']!.outcome = outcome))).toEqual([]);
  });
});
