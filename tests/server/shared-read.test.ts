import { expect, test } from 'vitest';
import { sharedLookup, sharedRead } from '../../src/server/database/shared-read.ts';

/** A reading that ends when it is told to. */
function slowly<T>() {
  const ends: { resolve: (value: T) => void; reject: (error: Error) => void }[] = [];
  return { ends, read: () => new Promise<T>((resolve, reject) => ends.push({ resolve, reject })) };
}
const soon = () => new Promise((resolve) => setImmediate(resolve));

test('who asks before it begins shares one reading, who asks later has the next; at most three are under way', async () => {
  const { ends, read } = slowly<number>();
  const ask = sharedRead(read);
  const turns: Promise<number>[][] = [];
  for (let turn = 0; turn < 5; turn++) {
    turns.push([ask(), ask()]);
    await soon();
  }
  expect(ends).toHaveLength(3);
  ends[1]!.resolve(2);
  expect(await Promise.all(turns[1]!)).toEqual([2, 2]);
  await soon();
  expect(ends).toHaveLength(4);
  ends[3]!.resolve(4);
  expect(await Promise.all([...turns[3]!, ...turns[4]!])).toEqual([4, 4, 4, 4]);
  ends[0]!.resolve(1);
  ends[2]!.resolve(3);
  expect(await Promise.all([...turns[0]!, ...turns[2]!])).toEqual([1, 1, 3, 3]);
});

test('one that fails fails for those who share it, and not for the next', async () => {
  const { ends, read } = slowly<number>();
  const ask = sharedRead(read);
  const [first, shared] = [ask(), ask()];
  await soon();
  const later = ask();
  await soon();
  ends[0]!.reject(new Error('gone'));
  await expect(first).rejects.toThrow('gone');
  await expect(shared).rejects.toThrow('gone');
  ends[1]!.resolve(2);
  expect(await later).toBe(2);
});

test('things are looked up together, each once', async () => {
  const asked: (readonly string[])[] = [];
  const find = sharedLookup((keys: readonly string[]) => {
    asked.push(keys);
    return Promise.resolve(new Map(keys.filter((key) => key !== 'none').map((key) => [key, key.toUpperCase()])));
  });
  const [one, other] = await Promise.all([find(['a', 'b']), find(['b', 'none'])]);
  expect(asked).toEqual([['a', 'b', 'none']]);
  expect([one.get('a'), other.get('b'), other.has('none')]).toEqual(['A', 'B', false]);
});
