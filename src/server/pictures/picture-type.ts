/** What bytes are by what they begin with, whatever they are called. */
export interface PictureType {
  type: 'image/png' | 'image/webp';
  width: number;
  height: number;
}

/**
 * Reads type and size from a picture's first bytes: PNG (W3C Portable Network Graphics, third edition, §5.2 and §11.2.1) or WebP
 * (RFC 9649 §2). @returns null for anything else; a drawing in SVG is a program and no picture here
 */
export function pictureType(bytes: Uint8Array): PictureType | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const word = (at: number) => String.fromCharCode(...bytes.subarray(at, at + 4));
  if (bytes.length >= 33 && signature.every((byte, at) => bytes[at] === byte) && word(12) === 'IHDR')
    return { type: 'image/png', width: view.getUint32(16), height: view.getUint32(20) };
  if (bytes.length < 30 || word(0) !== 'RIFF' || word(8) !== 'WEBP') return null;
  const webp = (width: number, height: number): PictureType => ({ type: 'image/webp', width, height });
  switch (word(12)) {
    case 'VP8 ':
      return webp(view.getUint16(26, true) & 0x3fff, view.getUint16(28, true) & 0x3fff);
    case 'VP8L': {
      const bits = view.getUint32(21, true);
      return webp((bits & 0x3fff) + 1, ((bits >>> 14) & 0x3fff) + 1);
    }
    case 'VP8X':
      return webp((view.getUint32(24, true) & 0xffffff) + 1, ((view.getUint32(26, true) >>> 8) & 0xffffff) + 1);
    default:
      return null;
  }
}

const signature = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
