import { createHmac } from 'node:crypto';
import { expect, test } from 'vitest';

/** RFC 4231, 4.2, 4.3 and 4.7: HMAC-SHA-256, which quotes and calls to receivers are signed with. */
const cases = [
  [Buffer.alloc(20, 0x0b), 'Hi There', 'b0344c61d8db38535ca8afceaf0bf12b881dc200c9833da726e9376c2e32cff7'],
  [
    Buffer.from('Jefe'),
    'what do ya want for nothing?',
    '5bdcc146bf60754e6a042426089575c75a003f089d2739839dec58b964ec3843',
  ],
  [
    Buffer.alloc(131, 0xaa),
    'Test Using Larger Than Block-Size Key - Hash Key First',
    '60e431591ee0b67f0d8a26aacbf5b77f8e0bc6213728c5140546040f0ee37f54',
  ],
] as const;

test.each(cases)('a key of %# signs as published', (key, text, expected) => {
  expect(createHmac('sha256', key).update(text).digest('hex')).toBe(expected);
});
