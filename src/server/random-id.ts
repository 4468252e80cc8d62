import { randomInt } from 'node:crypto';

/** RFC 4648, 6, in small letters: none is taken for another. */
const letters = 'abcdefghijklmnopqrstuvwxyz234567';

/** A name that nobody can guess to be taken. @param length in letters, of 5 bits each */
export const randomId = (length: number): string =>
  Array.from({ length }, () => letters[randomInt(letters.length)]!).join('');

/** Whether a text can be such a name: what an address says may be anything. */
export const isRandomId = (text: string, length: number): boolean => text.length === length && /^[a-z2-7]+$/.test(text);
