import { expect, test } from 'vitest';
import { dateOfDay } from '../time/day.ts';
import { changedToo } from './what-else.ts';

const day = (date: string) => Date.parse(date) / 86_400_000;
const windows = {
  before: { from: day('2026-03-02'), to: day('2026-03-16') },
  after: { from: day('2026-03-17'), to: day('2026-03-31') },
};
const release = (number: number, date: string) => ({
  number,
  day: day(date),
  note: '',
  first: false,
  offers: [],
  others: 2,
});
const asked = {
  steps: [release(9, '2026-03-31'), release(8, '2026-03-20'), release(7, '2026-03-16'), release(6, '2026-03-01')],
  own: 7,
  offers: [
    { name: 'Spring', span: { from: Date.parse('2026-03-05T23:30Z'), until: Date.parse('2026-04-05T22:00Z') } },
    { name: 'Always', span: { from: -Infinity, until: Infinity } },
  ],
  rates: [],
  currency: 'DKK',
  timeZone: 'Europe/Copenhagen',
};

test('releases, offers by their dates on the store’s clock, and nothing outside of the windows', () => {
  expect(changedToo(windows, asked).map((one) => ('day' in one ? [one.kind, dateOfDay(one.day)] : one))).toEqual([
    ['offer', '2026-03-06'],
    ['release', '2026-03-20'],
  ]);
  expect(changedToo(windows, { ...asked, own: null }).some((one) => one.kind === 'release' && one.number === 7)).toBe(
    true,
  );
});

test('a rate that moved is told, one that hardly did is not, nor one that is not known in a window', () => {
  const rates = (second: string) => [
    { day: '2026-03-03', rate: '7.40' },
    { day: '2026-03-04', rate: '7.50' },
    { day: '2026-03-18', rate: second },
  ];
  const moved = (second: string) => changedToo(windows, { ...asked, offers: [], steps: [], rates: rates(second) });
  expect(moved('7.823')).toEqual([{ kind: 'rate', currency: 'DKK', moved: expect.closeTo(0.05, 3) }]);
  expect(moved('7.46')).toEqual([]);
  expect(changedToo(windows, { ...asked, offers: [], steps: [], rates: rates('7').slice(0, 2) })).toEqual([]);
});
