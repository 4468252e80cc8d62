import { describe, expect, test } from 'vitest';
import { emptyColumns } from '../orders/columns.ts';
import { normal, seededRandom } from '../statistics/random.ts';
import { judgeChange } from './judge-change.ts';
import { panelsOf, studyChange, type ChangeQuestion } from './study-change.ts';

const question: ChangeQuestion = {
  windows: { before: { from: 0, to: 28 }, after: { from: 29, to: 57 } },
  goals: [{ from: 0, goal: 6000 }],
  margin: 0.5,
};

/** Ten orders a day, dearer by a factor from day 29 on. */
function market(seed: number, dearer: number) {
  const random = seededRandom(seed);
  const columns = emptyColumns(570, ['door']);
  for (let index = 0; index < columns.count; index++) {
    columns.day[index] = Math.floor(index / 10);
    const value = Math.exp(8.5 + 0.2 * normal(random)) * (columns.day[index]! >= 29 ? dearer : 1);
    columns.goods[index] = Math.round(value);
    columns.delivery[index] = columns.goods[index]! >= 6000 ? 0 : 495;
  }
  return columns;
}
const others = [1.2, 1.2, 1.2].map((dearer, seed) => panelsOf(market(seed + 10, dearer), question));

describe('a change', () => {
  test('is judged by what it did beyond other markets: a season alone is chance', () => {
    const season = studyChange(market(1, 1.2), question);
    expect(judgeChange(season, null).orderValue).toMatchObject({ verdict: 'more', beyond: null, elsewhere: null });
    const beside = judgeChange(season, others).orderValue;
    expect(beside.verdict).toBe('chance');
    expect(beside.elsewhere).toBeCloseTo(0.2, 1);
    expect(judgeChange(studyChange(market(1, 1.5), question), others).orderValue.verdict).toBe('more');
    expect(judgeChange(studyChange(market(1, 0.9), question), others).orderValue.verdict).toBe('less');
  });
  test('is not judged where too few orders say anything, and needs no more once it is told', () => {
    const study = studyChange(market(1, 1.2), question);
    const judged = judgeChange(study, others);
    // New shoppers are not known of any order here.
    expect(judged.newShoppers).toMatchObject({ verdict: null, difference: null, toTell: null });
    expect(judgeChange(studyChange(market(1, 1.5), question), others).orderValue.toTell).toBeNull();
  });
});
