import { expect, test } from 'vitest';
import { heldFor } from './held.ts';

test('what is looked up is looked up once, and again once it is forgotten, held no longer, or failed', async () => {
  let asked = 0;
  const answers = [1, 2, new Error('away'), 3];
  const next = async (): Promise<number> => {
    const answer = answers[asked++]!;
    if (answer instanceof Error) throw answer;
    return answer;
  };
  const held = heldFor(60_000, next);
  expect(await Promise.all([held.get(), held.get(), held.get()])).toEqual([1, 1, 1]);
  held.forget();
  expect(await held.get()).toBe(2);
  held.forget();
  await expect(held.get()).rejects.toThrow('away');
  expect([await held.get(), await held.get(), asked]).toEqual([3, 3, 4]);
  const never = heldFor(0, async () => ++asked);
  expect([await never.get(), await never.get()]).toEqual([5, 6]);
});
