import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { changed, tuesday } from '../../../../tests/support/evaluate-store.ts';
import { compilePolicy } from '../../evaluation/compile.ts';
import type { Policy } from '../../policy/types.ts';
import { readStatements } from '../statements/read-statements.ts';
import { chargedInMarket } from './charged-in-market.ts';
import { compareStatement, type ChargedUnder } from './compare-statement.ts';

function under(release: number, policy: Policy, market = 'nlbe'): ChargedUnder {
  const compiled = compilePolicy(policy);
  return { release, charged: chargedInMarket(compiled, compiled.markets.get(market)!, tuesday) };
}
const withGoal = (minor: number) =>
  changed(demoPolicy, ({ offers }) => {
    offers['free-delivery']!.goals.first!.targets!.nlbe = { exact: minor } as never;
  });
const history = [under(3, withGoal(6000)), under(2, demoPolicy), under(1, withGoal(8000))];
const verdicts = (text: string, of: readonly ChargedUnder[] = history, language = 'nl', currency = 'EUR') =>
  readStatements(text, { language, currency }).map((one) => compareStatement(one, of));

describe('what a text states, beside what releases charge', () => {
  test('is right, stale since a release, or unclear', () => {
    expect(verdicts('Gratis bezorging vanaf € 60.')).toEqual([{ verdict: 'right' }]);
    expect(verdicts('Gratis bezorging vanaf € 75.')).toMatchObject([{ verdict: 'stale', since: 3 }]);
    expect(verdicts('Gratis bezorging vanaf € 80.')).toMatchObject([{ verdict: 'stale', since: 2 }]);
    expect(verdicts('Gratis bezorging vanaf $ 60.')).toEqual([{ verdict: 'unclear', because: 'otherCurrency' }]);
  });
  test('prices are right that some order is charged, and others are not', () => {
    expect(verdicts('Bezorging kost € 5,95.')).toEqual([{ verdict: 'right' }]);
    expect(verdicts('Bezorging kost € 5,85.')).toMatchObject([{ verdict: 'unclear', because: 'neverSo' }]);
    expect(verdicts('Wereldwijd gratis verzending!')).toMatchObject([
      { verdict: expect.not.stringMatching('right') as string },
    ]);
  });
});

test('what a market charges is what quotes say: the goal is reached there, and not a cent below', () => {
  const { goals, prices, allFree } = history[1]!.charged;
  expect(goals).toContain(7500);
  expect(prices).toEqual(expect.arrayContaining([450, 595, 695]));
  expect(allFree).toBe(false);
  const [first, last] = [prices[0]!, prices.at(-1)!];
  const range = `Bezorging kost tussen € ${(first / 100).toFixed(2).replace('.', ',')} en € ${(last / 100).toFixed(2).replace('.', ',')}.`;
  expect(verdicts(range, [history[1]!])).toEqual([{ verdict: 'right' }]);
});
