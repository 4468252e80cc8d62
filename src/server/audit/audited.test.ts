import { expect, test } from 'vitest';
import { calls, type CallName } from '../../contract/calls.ts';
import { audited } from './audited.ts';

/** Calls that write and are not kept in mind: they do nothing yet, or nothing that anybody would look for. */
const passing: readonly CallName[] = [
  'POST /api/quote',
  'POST /api/quotes',
  'POST /api/quotes/verify',
  'POST /api/carriers/test',
  'POST /api/receivers/{id}/test',
  'POST /api/imports',
  'POST /api/imports/remembered',
  'PUT /api/imports/{id}/file',
  'POST /api/links/look',
  'POST /api/sign-in/passkey/options',
  'POST /api/account/passkeys/options',
  // going to a provider; who comes back is kept in mind
  'POST /api/sign-in/provider',
  'POST /api/links/provider',
  'POST /api/account/provider',
  'POST /api/sign-out',
  'PUT /api/presence',
  // who says what is told where it is said
  'POST /api/comments',
  'PUT /api/comments/{id}',
];

test('whatever writes is kept in mind, or is known to be passing', () => {
  const writing = (Object.keys(calls) as CallName[]).filter((name) => !name.startsWith('GET '));
  expect(writing.filter((name) => !audited[name] && !passing.includes(name))).toEqual([]);
  expect(passing.filter((name) => audited[name])).toEqual([]);
});
