import { expect, test } from 'vitest';
import { ownPath } from './own-path.ts';

test.each(['/offers', '/orders?market=uk', '/release?stop=orders'])('%s leads within Summant', (path) =>
  expect(ownPath(path)).toBe(path),
);

test.each([
  null,
  '',
  'offers',
  '//elsewhere.example.com/offers',
  '/\\elsewhere.example.com',
  '\\/elsewhere.example.com',
  'https://elsewhere.example.com/offers',
  '/\t/elsewhere.example.com',
  'javascript:alert(1)',
  `/${'a'.repeat(3000)}`,
])('%s is not followed', (path) => expect(ownPath(path)).toBeNull());
