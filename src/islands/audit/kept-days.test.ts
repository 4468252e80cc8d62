import { expect, test } from 'vitest';
import { leastRecordDays, mostRecordDays } from '../../contract/shapes/choices.ts';
import { leastDays, mostDays } from './kept-days.ts';

test('days are bounded as the contract bounds them', () => {
  expect([leastDays, mostDays]).toEqual([leastRecordDays, mostRecordDays]);
});
