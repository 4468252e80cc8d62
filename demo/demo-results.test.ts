import { expect, test } from 'vitest';
import { minorPerMajor } from '../src/core/money/currency.ts';
import { armIndex, emptyColumns, optionIndex, type OrderColumns } from '../src/core/orders/columns.ts';
import { changesIn, goalsOver, type DatedStep } from '../src/core/results/changes-of-market.ts';
import { releaseStep } from '../src/core/results/release-step.ts';
import { panelsOf, studyChange, type ChangeQuestion } from '../src/core/results/study-change.ts';
import { differenceInDifferences } from '../src/core/statistics/difference-in-differences.ts';
import { dayNumber } from '../src/core/time/day.ts';
import { judgeExperiment, sampleRatio } from '../src/core/experiments/judge-experiment.ts';
import { experimentQuestion } from '../src/core/experiments/question.ts';
import { studyExperiment } from '../src/core/experiments/study-experiment.ts';
import { generateOrders } from './generate-orders.ts';
import { finishedExperiment, marketTruths, pastOffer, runningExperiment } from './order-truth.ts';
import { demoPolicy } from './policy/demo-policy.ts';
import { demoReleases } from './releases.ts';

const columnsOf = (orders: ReturnType<typeof generateOrders>, market: string): OrderColumns => {
  const here = orders.filter(({ marketId }) => marketId === market);
  const columns = emptyColumns(here.length);
  const known = new Map<string, number>();
  for (const [index, order] of here.entries()) {
    columns.goods[index] = order.goodsMinor;
    columns.delivery[index] = order.deliveryMinor;
    columns.day[index] = Math.floor(order.placedAt.getTime() / 86_400_000);
    columns.option[index] = optionIndex(columns.options, known, order.optionId);
    columns.items[index] = order.items;
    columns.arm[index] = order.arm ? armIndex(columns.arms, order.arm) : 0;
  }
  return columns;
};

const steps = demoReleases
  .map(({ policy, releasedAt }, index): DatedStep => {
    const before = demoReleases[index - 1];
    return {
      number: index + 1,
      day: Math.floor(releasedAt.getTime() / 86_400_000),
      note: '',
      first: !before,
      ...(before ? releaseStep(before.policy, policy) : { offers: [], others: 0 }),
    };
  })
  .reverse();

const goalOf = (market: string): number => {
  const { freeFrom, currency } = marketTruths.find((truth) => truth.market === market)!;
  return freeFrom * minorPerMajor(currency);
};

test('the demo’s past releases are those that the truth of its orders tells', () => {
  expect(changesIn(steps, pastOffer.market).map(({ day, before, after }) => [day, before, after])).toEqual([
    [dayNumber(pastOffer.until), pastOffer.goal * 100, 7500],
    [dayNumber(pastOffer.from), 7500, pastOffer.goal * 100],
  ]);
  expect(changesIn(steps, 'uk')).toEqual([]);
});

test('what the past offer did to orders lies within what is found of it, and what it did not do is not found', () => {
  const orders = generateOrders();
  // Ten times as many tell what is true well enough.
  const truth = generateOrders(7, 240_000);
  const markets = marketTruths.map(({ market }) => market).filter((market) => market !== pastOffer.market);
  let [held, told] = [0, 0];
  for (const { day } of changesIn(steps, pastOffer.market)) {
    const question = (market: string): ChangeQuestion => ({
      windows: { before: { from: day - 56, to: day }, after: { from: day + 1, to: day + 57 } },
      goals: goalsOver(changesIn(steps, market), 'free-delivery', goalOf(market)),
      margin: 0.55,
    });
    const of = (from: typeof orders) => ({
      study: studyChange(columnsOf(from, pastOffer.market), question(pastOffer.market)),
      others: markets.map((market) => panelsOf(columnsOf(from, market), question(market))),
    });
    const [seen, truly] = [of(orders), of(truth)];
    for (const id of [
      'orderValue',
      'reaching',
      'deliveryPaid',
      'givenAway',
      'margin',
      'items',
      'ordersADay',
    ] as const) {
      const [found, real] = [seen, truly].map(({ study, others }) =>
        differenceInDifferences(
          study.figures[id],
          others.map((panels) => panels[id]),
        )!,
      );
      told++;
      if (found!.low <= real!.relative && real!.relative <= found!.high) held++;
    }
    const reached = differenceInDifferences(
      seen.study.figures.reaching,
      seen.others.map(({ reaching }) => reaching),
    )!;
    expect(reached.low > 0 || reached.high < 0).toBe(true);
  }
  // Of so many intervals of 95 in a hundred one or two may miss.
  expect([told, held >= told - 2, held]).toEqual([14, true, held]);
});

const experimentOf = (orders: ReturnType<typeof generateOrders>, id: string) => {
  const experiment = demoPolicy.experiments![id]!;
  const study = studyExperiment(columnsOf(orders, experiment.market), experimentQuestion(demoPolicy, id, experiment));
  return { study, judged: judgeExperiment(study, experiment.measure, experiment.smallestEffect)[0]! };
};

test('the demo’s finished experiment found what is true of it: orders grew, and what is left of them did not surely', () => {
  const { study, judged } = experimentOf(generateOrders(), finishedExperiment.experiment);
  const truth = experimentOf(generateOrders(7, 160_000), finishedExperiment.experiment).study.arms[1]!;
  expect(study.arms.map(({ figures }) => figures.reaching.mean > 0)).toEqual([true, true]);
  expect(judged.verdict).toBe('more');
  for (const figure of ['orderValue', 'reaching', 'givenAway', 'margin', 'items'] as const) {
    const { low, high } = study.arms[1]!.differences[figure]!;
    const real = truth.differences[figure]!.difference;
    expect([figure, low <= real, real <= high]).toEqual([figure, true, true]);
  }
  const margin = study.arms[1]!.differences.margin!;
  expect(margin.low < 0 && margin.high > 0).toBe(true);
  expect(sampleRatio(finishedExperiment.shoppers, [1, 1])!.off).toBe(false);
});

test('the demo’s running experiment has too few orders to tell', () => {
  const { study, judged } = experimentOf(generateOrders(), runningExperiment.experiment);
  expect(study.arms.every(({ orders }) => orders > 10)).toBe(true);
  expect(judged).toMatchObject({ verdict: 'open', difference: null });
});
