import { describe, expect, test } from 'vitest';
import { answering } from '../../src/server/http/problem.ts';

const failing = async (error: unknown) => {
  const response = await answering(() => Promise.reject(error));
  return [response.status, ((await response.json()) as { title: string }).title];
};
const coded = (code: string, message = code, more: object = {}) => Object.assign(new Error(message), { code, ...more });

describe('what goes wrong outside is told as what it is', () => {
  test.each([
    ['no room for a file', coded('ENOSPC', 'write ENOSPC'), 507, 'The disk is full'],
    ['no room for a table', coded('ER_RECORD_FILE_FULL', "The table 'orders' is full"), 507, 'The disk is full'],
    [
      'no room, as the database says it',
      coded('ER_ERROR_ON_WRITE', 'Error writing file (errno: 28 "No space left on device")'),
      507,
      'The disk is full',
    ],
    ['a packet', coded('ER_NET_PACKET_TOO_LARGE'), 413, 'This is more than the database takes at once'],
    ['a statement that takes too long', coded('ER_STATEMENT_TIMEOUT'), 503, 'The database has too much to do'],
    ['a full queue', new Error('Queue limit reached.'), 503, 'The database has too much to do'],
    ['a body that breaks off', coded('ECONNRESET', 'aborted'), 400, 'The line broke'],
    ['a pipe that breaks', coded('EPIPE', 'write EPIPE'), 400, 'The line broke'],
    ['the database going away', coded('EPIPE', 'write EPIPE', { fatal: true }), 503, 'The database cannot be reached'],
    [
      'the database not being there',
      coded('ECONNREFUSED', 'connect ECONNREFUSED', { fatal: true }),
      503,
      'The database cannot be reached',
    ],
    ['anything else', new Error('what is this'), 500, 'Something went wrong here'],
  ])('%s', async (_, error, status, title) => expect(await failing(error)).toEqual([status, title]));
});
