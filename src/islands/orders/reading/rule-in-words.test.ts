import { expect, test } from 'vitest';
import { ruleWords } from './rule-in-words.ts';
import { shareWords } from './share-words.ts';

const write = (minor: number, currency: string) => `${currency} ${minor / 100}`;
const notation = { locale: 'en-GB', money: write, figure: write };
const words = ruleWords(notation, 'EUR');
const step = (from: number, price: number) => ({ from, price, gap: null, explained: 1 });
const rule = (
  measure: 'none' | 'value' | 'weight' | 'items',
  steps: [from: number, price: number][],
  free: number | null = null,
) => ({
  measure,
  steps: steps.map(([from, price]) => step(from, price)),
  free: free === null ? null : { from: free, gap: null },
  orders: 1,
  explained: 1,
});

test('prices are said with where each begins, in the measure that they depend on', () => {
  expect(words.prices(rule('none', []))).toBe('free');
  expect(words.prices(rule('none', [[0, 595]]))).toBe('EUR 5.95');
  expect(words.prices(rule('value', [[0, 595], [2500, 395]]))).toBe('EUR 5.95, EUR 3.95 from EUR 25'); // prettier-ignore
  expect(words.prices(rule('weight', [[0, 595], [750, 695], [2500, 995]]))).toBe('EUR 5.95, EUR 6.95 from 750 g, EUR 9.95 from 2.5 kg'); // prettier-ignore
  expect(words.prices(rule('items', [[0, 595], [3, 895]]))).toBe('EUR 5.95, EUR 8.95 from 3 pieces'); // prettier-ignore
});

test('what held before is said from the newest on, with its days and its goal', () => {
  const before = [
    { from: 19_000, to: 19_010, rule: rule('none', [[0, 495]]) },
    { from: 19_010, to: 19_031, rule: rule('none', [[0, 595]], 7500) },
  ];
  expect(words.before(before)).toBe(
    '18 Jan 2022 to 7 Feb 2022: EUR 5.95, free from EUR 75; 8 Jan 2022 to 17 Jan 2022: EUR 4.95',
  );
  expect(words.before([])).toBe('');
});

test('where an edge may lie is said, unless just one amount may be it', () => {
  expect(words.gap({ after: 7495, until: 7500 })).toBe('above EUR 74.95 and at EUR 75 at most');
  expect(words.gap({ after: 7499, until: 7500 })).toBe('');
  expect(words.gap(null)).toBe('');
});

test('nearly all are not all, a few are not none, and all are all', () => {
  const share = shareWords('en-GB');
  expect([share(0.9999), share(1), share(0.973), share(0.0004, 'up'), share(0, 'up'), share(0.29, 'up')]).toEqual([
    '99.9%',
    '100%',
    '97.3%',
    '0.1%',
    '0%',
    '29%',
  ]);
});
