import { expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import type { Experiment, Policy } from '../policy/types.ts';
import { experimentsChanged } from './experiments-changed.ts';

const running = demoPolicy.experiments!['higher-goal-dk']!;
const withExperiments = (experiments: Record<string, Experiment>): Policy => ({ ...demoPolicy, experiments });
const without = withExperiments({});
const only = (one: Partial<Experiment>) => withExperiments({ one: { ...running, ...one } });
const sentences = (was: Policy, is: Policy) => experimentsChanged(was, is, 'en-GB').map(({ sentence }) => sentence);

test('one that begins says who sees what, and until when', () => {
  expect(sentences(without, only({ from: '2026-12-03', until: '2027-01-13' }))).toEqual([
    'The experiment “A higher goal in Denmark” in Denmark begins: from 3 December 2026 to 13 January 2027, of the shoppers that the shop knows 50% see “from 549 as it is” and 50% see “from 599”.',
  ]);
  const arms = structuredClone(running.arms);
  arms['higher']!.share = 1250;
  expect(sentences(without, only({ arms }))[0]).toMatch(
    /50% see “from 549 as it is”, 12\.5% see “from 599”, and 37\.5% take no part\.$/,
  );
});

test('one that goes on otherwise, ends or is taken up again is said; what shoppers cannot see is not', () => {
  expect(sentences(only({}), only({ until: '2027-04-01' }))[0]).toMatch(/goes on otherwise: from .* to 1 April 2027/);
  const ended = only({ outcome: { endedOn: '2026-12-01', kept: null, learnt: '' } });
  const ends = [
    'The experiment “A higher goal in Denmark” in Denmark ends: every shopper there has the same goal again.',
  ];
  expect(sentences(only({}), ended)).toEqual(ends);
  expect(sentences(only({}), without)).toEqual(ends);
  expect(sentences(ended, only({}))[0]).toMatch(/ begins: /);
  expect(sentences(only({}), only({ name: 'Otherwise', note: 'why', guard: false, measure: 'orderValue' }))).toEqual(
    [],
  );
  expect(sentences(ended, without)).toEqual([]);
});

test('one that can try nothing says so', () => {
  expect(sentences(without, only({ offer: 'gone' }))).toEqual([
    'The experiment “A higher goal in Denmark” in Denmark begins: it tries nothing, its offer is not there any more.',
  ]);
});
