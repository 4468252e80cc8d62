import { expect, test } from 'vitest';
import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { dateOfDay, dayNumber } from '../../time/day.ts';
import type { DatedStep } from '../changes-of-market.ts';
import type { Window } from '../matched-weeks.ts';
import { lookedAt } from './asking.ts';

const day = (date: string) => dayNumber(date)!;
const step = (number: number, date: string, markets: DatedStep['offers'][number]['markets']): DatedStep => ({
  number,
  day: day(date),
  note: '',
  first: false,
  others: 0,
  offers: [{ offer: 'free-delivery', name: 'Free delivery', change: 'changes', markets }],
});
const steps = [
  step(3, '2026-03-17', { nlbe: { before: 7500, after: 6000 } }),
  step(2, '2026-02-10', { uk: { before: 8000, after: 7000 } }),
];
const span = { firstDay: day('2026-01-01'), lastDay: day('2026-04-10') };
const of = { draft: demoPolicy, released: null, steps, today: day('2026-05-01') };
const dates = ({ from, to }: Window) => [dateOfDay(from), dateOfDay(to)];

test('whole weeks around the newest change are asked about, with the goals of that time', () => {
  const { found, asking } = lookedAt('nlbe', {}, span, of);
  expect(found!.weeks).toBe(3);
  expect([dates(asking!.question.windows.before), dates(asking!.question.windows.after)]).toEqual([
    ['2026-02-24', '2026-03-17'],
    ['2026-03-18', '2026-04-08'],
  ]);
  expect(asking!.goals).toEqual({ before: 7500, after: 6000 });
});

test('other markets are those without a change meanwhile, or what was chosen, each with goals of its own', () => {
  const others = (query: Record<string, string>) =>
    lookedAt('nlbe', query, span, of).asking!.others?.map(({ market }) => market);
  const all = Object.keys(demoPolicy.markets).filter((market) => market !== 'nlbe');
  expect(others({})).toEqual(all);
  expect(others({ since: '2026-02-09' })).toEqual(all.filter((market) => market !== 'uk'));
  expect(others({ since: '2026-02-09', beside: 'uk' })).toEqual(['uk']);
  expect(others({ beside: 'none' })).toBeUndefined();
  const uk = lookedAt('nlbe', { beside: 'uk' }, span, of).asking!.others![0]!;
  expect(uk.question.goals.at(-1)).toEqual({ from: day('2026-02-10'), goal: 7000 });
});

test('without orders, or without a whole week of them, nothing is asked', () => {
  expect(lookedAt('nlbe', {}, null, of)).toMatchObject({ chosen: { since: { day: day('2026-03-17') } }, asking: null });
  expect(lookedAt('nlbe', { since: '2026-01-04' }, span, of)).toMatchObject({ found: null, asking: null });
});

test('what is assumed and the draft’s markets count, though the rest is as it was released', () => {
  const draft = {
    ...demoPolicy,
    assumptions: { ...demoPolicy.assumptions, nlbe: { ...demoPolicy.assumptions!.nlbe!, margin: '31' } },
  };
  const released = { ...demoPolicy, offers: {} };
  const { asking } = lookedAt('nlbe', { since: '2026-04-01' }, span, { ...of, draft, released });
  expect(asking!.question).toMatchObject({ margin: 0.31, goals: [{ from: 0, goal: null }] });
});
