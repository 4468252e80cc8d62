import { expect, test } from 'vitest';
import { dayNumber } from '../../time/day.ts';
import { chosenChange } from './chosen-change.ts';

const day = (date: string) => dayNumber(date)!;
const change = (release: number, date: string) => ({
  release,
  day: day(date),
  offer: 'free',
  name: 'Free delivery',
  change: 'changes' as const,
  before: 7500,
  after: 6000,
});
const changes = [change(5, '2026-06-28'), change(4, '2026-03-01'), change(2, '2026-01-03')];
const known = { firstDay: day('2026-01-01'), lastDay: day('2026-06-30'), others: ['uk', 'dk'] };
const chosen = (query: Record<string, string>) => chosenChange(query, changes, known);

test('without a word it is the newest change with a week of orders on both sides, beside the others', () => {
  expect(chosen({})).toEqual({
    since: { kind: 'change', change: changes[1], day: day('2026-03-01') },
    base: 'before',
    weeks: null,
    beside: 'others',
    figure: 'orderValue',
    step: 'week',
  });
  expect(chosenChange({}, changes.slice(0, 1), known).since).toMatchObject({ change: { release: 5 } });
  expect(chosenChange({}, [], known).since).toEqual({ kind: 'day', day: day('2026-05-05') });
  expect(chosenChange({}, [], { firstDay: 0, lastDay: 0, others: [] }).since).toBeNull();
});

test('what an address says is followed, and what it cannot mean is not', () => {
  expect(
    chosen({ since: '5.free', base: 'yearBefore', weeks: '3', beside: 'uk', figure: 'items', step: 'day' }),
  ).toMatchObject({
    since: { change: { release: 5 } },
    base: 'yearBefore',
    weeks: 3,
    beside: { market: 'uk' },
    figure: 'items',
    step: 'day',
  });
  expect(chosen({ since: '2026-04-09' }).since).toEqual({ kind: 'day', day: day('2026-04-09') });
  expect(chosen({ since: '9.free', base: '?', weeks: '99', beside: 'mars', figure: 'constructor', step: '' })).toEqual(
    chosen({}),
  );
  expect(chosen({ beside: 'none' }).beside).toBe('none');
});
