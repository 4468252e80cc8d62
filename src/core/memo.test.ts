import { expect, test } from 'vitest';
import { Memo } from './memo.ts';

const counting = () => {
  let made = 0;
  const memo = new Memo(
    (key: object, from: { id: string; parts: readonly object[]; named: Record<string, object> }) => ({
      key,
      ...from,
      number: (made += 1),
    }),
  );
  return memo;
};

test('the same sources give the same thing, also in new lists and records of the same members', () => {
  const memo = counting();
  const [key, part] = [{}, {}];
  const first = memo.get(key, { id: 'a', parts: [part], named: { x: part } });
  expect(memo.get(key, { id: 'a', parts: [part], named: { x: part } })).toBe(first);
});

test.each<[string, object]>([
  ['another value', { id: 'b' }],
  ['another member', { parts: [{}] }],
  ['a member more', { parts: [{}, {}] }],
  ['the same under another name', { named: { y: 1 } }],
  ['one left out', { named: {} }],
])('%s is made anew', (_, change) => {
  const memo = counting();
  const key = {};
  const before = { id: 'a', parts: [{}], named: { x: {} } };
  const first = memo.get(key, before);
  expect(memo.get(key, { ...before, ...change }).number).toBe(first.number + 1);
});

test('what has members that cannot be seen is compared as the thing it is', () => {
  const memo = new Memo((_: object, from: { set: ReadonlySet<string> }) => [...from.set]);
  const key = {};
  expect(memo.get(key, { set: new Set(['a']) })).toEqual(['a']);
  expect(memo.get(key, { set: new Set(['b']) })).toEqual(['b']);
});

test('each object has its own', () => {
  const memo = counting();
  const from = { id: 'a', parts: [], named: {} };
  const [one, other] = [{}, {}];
  expect(memo.get(one, from).key).toBe(one);
  expect(memo.get(other, from).key).toBe(other);
  expect(memo.get(one, from).number).toBe(1);
});
