import type { Policy } from '../../src/core/policy/types.ts';

export const calendars: NonNullable<Policy['calendars']> = {
  shop: {
    order: 1,
    name: 'The shop',
    workingDays: [1, 2, 3, 4, 5],
    holidays: {
      '2026-12-25': 'Christmas Day',
      '2026-12-26': 'Second day of Christmas',
      '2027-01-01': 'New Year',
      '2027-03-29': 'Easter Monday',
      '2027-04-27': 'Stock-taking',
    },
  },
  beach: {
    order: 2,
    name: 'The beach round',
    workingDays: [3, 4, 5, 6, 7],
    opens: '09:30',
    holidays: { '2026-12-25': 'Christmas Day' },
  },
};
