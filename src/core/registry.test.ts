import { expect, test } from 'vitest';
import { Registry } from './registry.ts';

const fruit = () => new Registry<{ name: string }>('fruit', ({ name }) => name, [{ name: 'pear' }, { name: 'apple' }]);

test('keeps the order, and what is added comes last', () => {
  const kinds = fruit();
  kinds.add({ name: 'constructor' });
  expect(kinds.all.map(({ name }) => name)).toEqual(['pear', 'apple', 'constructor']);
});
test('finds by key, and nothing that all objects have', () => {
  const kinds = fruit();
  expect(kinds.of('apple')).toBe(kinds.all[1]);
  expect(kinds.named('toString')).toBeUndefined();
  expect(() => kinds.of('plum')).toThrow('there is no fruit "plum"');
});
test('has each key once', () => {
  expect(() => fruit().add({ name: 'pear' })).toThrow('there is a fruit "pear" already');
});
