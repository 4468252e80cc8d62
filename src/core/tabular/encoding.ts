import { detect } from 'chardet';

export const encodings = ['utf-8', 'utf-16le', 'utf-16be', 'windows-1252', 'windows-1250', 'shift_jis'] as const;
export type Encoding = (typeof encodings)[number];

/** What the detector of character sets says of texts that are none of Unicode’s. ISO 8859-2 differs from Windows-1250 in few letters, and files that say so mostly mean the latter. */
const detected: Readonly<Record<string, Encoding>> = {
  Shift_JIS: 'shift_jis',
  'windows-1250': 'windows-1250',
  'ISO-8859-2': 'windows-1250',
};

/** As much as is looked at for it. */
const enough = 64 * 1024;

/**
 * The encoding of a text file, by its mark or else by its first bytes: text in UTF-16 of European languages has a zero in
 * every other byte, text that is not English is hardly ever valid UTF-8 by accident, and what else it is is told by how
 * often letters follow each other.
 *
 * @param start at least some thousand bytes, or the whole file
 */
export function guessEncoding(start: Uint8Array): Encoding {
  if (start[0] === 0xff && start[1] === 0xfe) return 'utf-16le';
  if (start[0] === 0xfe && start[1] === 0xff) return 'utf-16be';
  if (start[0] === 0xef && start[1] === 0xbb && start[2] === 0xbf) return 'utf-8';
  let even = 0;
  let odd = 0;
  const looked = Math.min(start.length, 4096);
  for (let i = 0; i < looked; i++) {
    if (start[i] !== 0) continue;
    if (i % 2 === 0) even++;
    else odd++;
  }
  if (odd > looked / 5 && odd > 4 * even) return 'utf-16le';
  if (even > looked / 5 && even > 4 * odd) return 'utf-16be';
  if (isUtf8(start)) return 'utf-8';
  const found = detect(start.subarray(0, enough)) ?? '';
  return Object.hasOwn(detected, found) ? detected[found]! : 'windows-1252';
}

/** Whether bytes are UTF-8, a character cut off at the end aside. */
function isUtf8(bytes: Uint8Array): boolean {
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes, { stream: true });
    return true;
  } catch {
    return false;
  }
}

/** Letters of Windows-1252 from 0x80 on where it differs from Latin-1. Source: index-windows-1252 of the WHATWG Encoding Standard. */
const beyondLatin1: Record<number, string> = {
  0x80: '€',
  0x82: '‚',
  0x83: 'ƒ',
  0x84: '„',
  0x85: '…',
  0x86: '†',
  0x87: '‡',
  0x88: 'ˆ',
  0x89: '‰',
  0x8a: 'Š',
  0x8b: '‹',
  0x8c: 'Œ',
  0x8e: 'Ž',
  0x91: '‘',
  0x92: '’',
  0x93: '“',
  0x94: '”',
  0x95: '•',
  0x96: '–',
  0x97: '—',
  0x98: '˜',
  0x99: '™',
  0x9a: 'š',
  0x9b: '›',
  0x9c: 'œ',
  0x9e: 'ž',
  0x9f: 'Ÿ',
};

/** Decodes text that comes in pieces, its mark left out. */
export class TextReader {
  readonly #decoder: TextDecoder;
  readonly #mends: boolean;

  constructor(encoding: Encoding) {
    this.#decoder = new TextDecoder(encoding);
    // Some platforms read Windows-1252 as Latin-1, whose controls stand where these letters are.
    this.#mends = encoding === 'windows-1252';
  }

  /** @param more whether further bytes follow */
  read(bytes: Uint8Array, more: boolean): string {
    const text = this.#decoder.decode(bytes, { stream: more });
    return this.#mends ? text.replace(/[\x80-\x9f]/g, (letter) => beyondLatin1[letter.charCodeAt(0)] ?? letter) : text;
  }
}
