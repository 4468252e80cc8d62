const zeros = [0x0660, 0x06f0, 0xff10];

/**
 * A text as it is looked through: digits and signs of other scripts as ordinary ones. It is as long as the text itself, so that
 * places in it are places in the text.
 */
export function plainText(text: string): string {
  let plain = '';
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at);
    const zero = zeros.find((one) => code >= one && code < one + 10);
    const letter = text[at]!;
    plain += zero === undefined ? (signs[letter] ?? letter) : String(code - zero);
  }
  return plain;
}

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
