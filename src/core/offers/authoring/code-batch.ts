/** Letters and digits that are not taken for one another when read aloud or off paper. */
export const codeLetters = 'ABCDEFGHJKMNPQRSTVWXYZ23456789';

/** Codes of a length that are not worth guessing for the number there are: 30 letters, so about 4.9 bits each. */
export const leastLength = 6;
export const mostLength = 20;

/**
 * Unguessable codes, each equally likely and none twice.
 *
 * @param length letters of a code after its beginning, `leastLength` to `mostLength`
 * @param begin what all begin with, such as GUST; may be empty
 * @param random bytes of a cryptographic source
 * @param taken codes that exist already
 * @throws RangeError for a length out of bounds, or more codes than a thousandth of those possible
 */
export function codeBatch(
  count: number,
  length: number,
  begin: string,
  random: (bytes: number) => Uint8Array,
  taken: ReadonlySet<string> = new Set(),
): string[] {
  if (length < leastLength || length > mostLength)
    throw new RangeError(`A code has ${leastLength} to ${mostLength} letters.`);
  if (count > codesOf(length) / 1000) throw new RangeError('So many codes of this length could be found by trying.');
  const made = new Set<string>();
  while (made.size < count) {
    const code = begin + letters(length, random);
    if (!taken.has(code)) made.add(code);
  }
  return [...made];
}

/** Bytes that would favour the first letters are left out, so that every letter is as likely as any other. */
function letters(length: number, random: (bytes: number) => Uint8Array): string {
  const fair = 256 - (256 % codeLetters.length);
  let text = '';
  while (text.length < length)
    for (const byte of random(length * 2))
      if (byte < fair && text.length < length) text += codeLetters[byte % codeLetters.length];
  return text;
}

/** How many codes of a length there are. */
export const codesOf = (length: number): number => codeLetters.length ** length;

/** How likely it is that one try at random hits one of the codes. */
export const guessOdds = (count: number, length: number): number => count / codesOf(length);
