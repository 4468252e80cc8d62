import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { CallLimiter, overLimit } from './call-rate.ts';

beforeEach(() => void vi.useFakeTimers({ toFake: ['performance'] }));
afterEach(() => void vi.useRealTimers());

test('so many calls a minute of each are let through, and told how long to wait', () => {
  const limiter = new CallLimiter(2);
  const call = (who: string) => overLimit(limiter, who)?.headers?.['retry-after'] ?? null;
  expect([call('a'), call('a'), call('b')]).toEqual([null, null, null]);
  vi.advanceTimersByTime(20_500);
  expect([call('a'), call('b'), call('b')]).toEqual(['40', null, '40']);
  vi.advanceTimersByTime(39_500);
  expect([call('a'), call('a'), call('a')]).toEqual([null, null, '60']);
});

test('of those who call only so many are kept, the latest', () => {
  const limiter = new CallLimiter(1);
  limiter.over('first');
  for (let index = 0; index < 100_000; index++) limiter.over(`another ${index}`);
  expect(limiter.over('another 99999')).not.toBeNull();
  expect(limiter.over('first')).toBeNull();
});
