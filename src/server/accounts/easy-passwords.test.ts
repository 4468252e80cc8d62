import { expect, test } from 'vitest';
import { easyPassword } from './easy-passwords.ts';

const own = ['Ida Hansen', 'ida.hansen@example.com', 'Gustmoor Kites'];
const faultOf = (password: string) => easyPassword(password, own)?.fields?.[0]?.message ?? null;

test.each([
  '123qweasdzxc',
  'Password2026!',
  '!!dragonfly1234567',
  'sunshinesunshine',
  'aaaaaaaaaaaaaa',
  '123456789012',
])('%s is tried first', (password) => expect(faultOf(password)).toContain('tried first'));

test.each(['Gustmoor1234567', 'ida.hansen@example.com', 'Ida Hansen 2026', 'gustmoor-2026-'])(
  '%s is made of a name',
  (password) => expect(faultOf(password)).toContain('your own name'),
);

test.each(['four kites over heath', 'Ærø-havn 17 både', 'hansen sails to the heath', 'x7#kQp2!vLm9'])(
  '%s is good',
  (password) => expect(faultOf(password)).toBeNull(),
);
