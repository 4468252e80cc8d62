const zeros = [0x0660, 0x06f0, 0xff10];

const signs: Readonly<Record<string, string>> = {
  '٫': '.',
  '٬': ',',
  '，': ',',
  '．': '.',
  '￥': '¥',
  '\u00a0': ' ',
  '\u202f': ' ',
  '’': "'",
  '‘': "'",
  '＋': '+',
};
const otherwise = new RegExp(`[٠-٩۰-۹０-９${Object.keys(signs).join('')}]`, 'gu');

/**
 * A text as it is looked through: digits and signs of other scripts as ordinary ones. It is as long as the text itself, so that
 * places in it are places in the text.
 */
export const plainText = (text: string): string =>
  text.replace(otherwise, (letter) => {
    const code = letter.charCodeAt(0);
    const zero = zeros.find((one) => code >= one && code < one + 10);
    return zero === undefined ? signs[letter]! : String(code - zero);
  });

/** A text in small letters, each in its place. */
export function inSmallLetters(text: string): string {
  const small = text.toLowerCase();
  return small.length === text.length
    ? small
    : Array.from({ length: text.length }, (_, at) => {
        const letter = text[at]!.toLowerCase();
        return letter.length === 1 ? letter : text[at]!;
      }).join('');
}
