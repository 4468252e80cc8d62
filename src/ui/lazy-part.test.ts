import { afterEach, expect, test, vi } from 'vitest';
import { insist } from './lazy-part.tsx';

afterEach(() => void vi.useRealTimers());

test('a part that does not come is asked for again, and not after it has', async () => {
  vi.useFakeTimers();
  let asked = 0;
  const come = insist(async () => {
    if (++asked < 3) throw new TypeError('Failed to fetch');
    return 'the part';
  });
  await vi.advanceTimersByTimeAsync(499);
  expect(asked).toBe(1);
  await vi.advanceTimersByTimeAsync(1);
  expect(asked).toBe(2);
  await vi.advanceTimersByTimeAsync(60_000);
  expect(asked).toBe(3);
  await expect(come).resolves.toBe('the part');
});

test('one that never comes is given up in the end, with the last reason', async () => {
  vi.useFakeTimers();
  let asked = 0;
  const come = insist(() => Promise.reject(new TypeError(`Failed to fetch ${++asked}`)));
  const said = expect(come).rejects.toThrow('Failed to fetch 6');
  await vi.advanceTimersByTimeAsync(60_000);
  await said;
});
