import { describe, expect, test } from 'vitest';
import { emptyColumns, armIndex, type OrderColumns } from '../orders/columns.ts';
import { normal, seededRandom } from '../statistics/random.ts';
import { armLosingMargin, judgeExperiment, sampleRatio } from './judge-experiment.ts';
import { paceOf } from './planning/pace.ts';
import { studyExperiment, type ExperimentQuestion } from './study-experiment.ts';

const first = 20_000;
const question: ExperimentQuestion = {
  experiment: 'winter',
  arms: [
    { id: 'now', goal: 6000 },
    { id: 'lower', goal: 4500 },
  ],
  days: { from: first, to: first + 28 },
  margin: 0.5,
  measure: 'orderValue',
  tightest: 2000,
};

/** Orders over 28 days, half of each arm, and some of none. @param more what the second arm spends beyond the first */
function ordersWith(count: number, more: number, seed = 7): OrderColumns {
  const random = seededRandom(seed);
  const columns = emptyColumns(count, ['door']);
  for (let index = 0; index < count; index++) {
    const arm = ['winter/now', 'winter/lower', ''][index % 3]!;
    columns.arm[index] = arm === '' ? 0 : armIndex(columns.arms, arm);
    columns.day[index] = first + Math.floor(random() * 28);
    columns.goods[index] = Math.round(5000 + 1000 * normal(random) + (arm === 'winter/lower' ? more : 0));
    columns.delivery[index] = columns.goods[index]! >= (arm === 'winter/lower' ? 4500 : 6000) ? 0 : 500;
  }
  return columns;
}

describe('what the orders of an experiment say', () => {
  test('is worked out of the orders of its arms, and of no others', () => {
    const columns = ordersWith(3000, 0);
    const { arms, lastDay } = studyExperiment(columns, question);
    expect(arms.map(({ id, orders }) => [id, orders])).toEqual([
      ['now', 1000],
      ['lower', 1000],
    ]);
    expect(lastDay).toBe(first + 27);
    const ofLower = Array.from({ length: 3000 }, (_, index) => index).filter((index) => index % 3 === 1);
    const mean = ofLower.reduce((sum, index) => sum + columns.goods[index]!, 0) / ofLower.length;
    expect(arms[1]!.figures.orderValue.mean).toBeCloseTo(mean, 6);
    const reaching = ofLower.filter((index) => columns.goods[index]! >= 4500).length / ofLower.length;
    expect(arms[1]!.figures.reaching.mean).toBeCloseTo(reaching, 10);
    expect(arms[0]!.differences.orderValue).toBeNull();
    expect(studyExperiment(columns, { ...question, experiment: 'spring' }).arms[0]!.orders).toBe(0);
    expect(studyExperiment(columns, { ...question, days: { from: first, to: first + 1 } }).lastDay).toBe(first);
  });

  test('ends with what the last look says, and each look goes on from the one before', () => {
    const { arms } = studyExperiment(ordersWith(3000, 500), question);
    const { looks, differences } = arms[1]!;
    expect(looks.length).toBeGreaterThan(15);
    const { day, ...last } = looks.at(-1)!;
    expect(day).toBe(first + 27);
    for (const end of ['difference', 'low', 'high'] as const)
      expect(last[end]).toBeCloseTo(differences.orderValue![end], 6);
    const half = looks.map(({ low, high }) => high - low);
    expect(half.at(-1)).toBeLessThan(half[0]!);
  });

  test('holds what is true at all looks in 95 of a hundred experiments, with three arms as well', () => {
    const three = { ...question, arms: [...question.arms, { id: 'none', goal: null }] };
    let held = 0;
    const all = 200;
    for (let seed = 0; seed < all; seed++) {
      const columns = ordersWith(1500, 0, seed + 100);
      const third = armIndex(columns.arms, 'winter/none');
      for (let index = 2; index < columns.count; index += 3) columns.arm[index] = third;
      const { arms } = studyExperiment(columns, three);
      if (arms.every(({ looks }) => looks.every(({ low, high }) => low <= 0 && high >= 0))) held++;
    }
    expect(held / all).toBeGreaterThanOrEqual(0.95);
  });
});

describe('an experiment is judged', () => {
  const verdictOf = (count: number, more: number, smallest = 300) =>
    judgeExperiment(studyExperiment(ordersWith(count, more), question), 'orderValue', smallest)[0]!.verdict;
  test('more, less, alike, or not to be told yet', () => {
    expect(verdictOf(3000, 600)).toBe('more');
    expect(verdictOf(3000, -600)).toBe('less');
    expect(verdictOf(9000, 0)).toBe('alike');
    expect(verdictOf(600, 0)).toBe('open');
    expect(verdictOf(150, 5000)).toBe('open');
  });
  test('by what margin an arm surely loses', () => {
    expect(armLosingMargin(studyExperiment(ordersWith(9000, 0), question))?.id).toBe('lower');
    expect(armLosingMargin(studyExperiment(ordersWith(240, 0), question))).toBeNull();
    expect(armLosingMargin(studyExperiment(ordersWith(9000, 1500), question))).toBeNull();
  });
  test('shoppers that went to the arms otherwise than they were to are found', () => {
    expect(sampleRatio([9600, 10_400], [5000, 5000])!.off).toBe(true);
    expect(sampleRatio([9950, 10_050], [5000, 5000])!.off).toBe(false);
    expect(sampleRatio([3320, 6680], [2500, 5000])!.off).toBe(false);
    expect(sampleRatio([30, 60], [5000, 5000])).toBeNull();
  });
});

describe('the pace of a market', () => {
  test('is what its last whole weeks were', () => {
    const columns = emptyColumns(140, ['door']);
    // Fourteen days with ten orders each, the last day a Sunday.
    for (let index = 0; index < 140; index++) {
      columns.day[index] = 19_993 - 4 + Math.floor(index / 10);
      columns.goods[index] = index % 2 === 0 ? 4000 : 6000;
    }
    const pace = paceOf(columns, 0.5)!;
    expect(pace.orders).toBe(140);
    expect(pace.week).toEqual([10, 10, 10, 10, 10, 10, 10]);
    expect(pace.average.orderValue).toBe(5000);
    expect(pace.deviation.orderValue).toBeCloseTo(1000 * Math.sqrt(140 / 139), 6);
    expect(paceOf(emptyColumns(0), 0.5)).toBeNull();
  });
});
