import { expect, test } from 'vitest';
import { untilAnswered } from './until-answered.ts';

test('progress is heard until the answer is there, and not after it', async () => {
  const heard: number[] = [];
  let tell: (share: number) => void = () => {};
  const answer = await untilAnswered<number, string>(
    async (tells) => {
      tell = tells;
      tell(0.5);
      return 'done';
    },
    (share) => heard.push(share),
  );
  tell(0.99);
  expect([answer, heard]).toEqual(['done', [0.5]]);
});

test('nor after what went wrong', async () => {
  const heard: number[] = [];
  let tell: (share: number) => void = () => {};
  const asked = untilAnswered<number, string>(
    async (tells) => {
      tell = tells;
      throw new Error('away');
    },
    (share) => heard.push(share),
  );
  await expect(asked).rejects.toThrow('away');
  tell(0.99);
  expect(heard).toEqual([]);
});
