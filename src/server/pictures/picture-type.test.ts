import { expect, test } from 'vitest';
import pictures from '../../../demo/pictures.json' with { type: 'json' };
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { createHash } from 'node:crypto';
import { pictureType } from './picture-type.ts';

const bytesOf = (parts: (string | number[])[]): Uint8Array =>
  Buffer.concat(parts.map((part) => Buffer.from(part as string, 'latin1' as never)));

test('PNG is known by its first bytes', () =>
  expect(pictureType(Buffer.from(pictures.van, 'base64'))).toEqual({ type: 'image/png', width: 192, height: 192 }));

/** Headers as RFC 9649 lays them out (sections 2.5 to 2.7), made by hand. */
test.each([
  ['lossy', ['RIFF', [0, 0, 0, 0], 'WEBPVP8 ', [0, 0, 0, 0], [0, 0, 0, 0x9d, 0x01, 0x2a], [64, 0, 48, 0]], 64, 48],
  ['lossless', ['RIFF', [0, 0, 0, 0], 'WEBPVP8L', [0, 0, 0, 0], [0x2f, 63, 0xc0, 0x0b, 0], [0, 0, 0, 0, 0]], 64, 48],
  ['extended', ['RIFF', [0, 0, 0, 0], 'WEBPVP8X', [0, 0, 0, 0], [0, 0, 0, 0, 63, 0, 0, 47, 0, 0]], 64, 48],
] as [string, (string | number[])[], number, number][])('WebP, %s', (_, parts, width, height) =>
  expect(pictureType(bytesOf(parts))).toEqual({ type: 'image/webp', width, height }),
);

test.each(['<svg xmlns="http://www.w3.org/2000/svg"/>', 'GIF89a', '', '\u0089PNG\r\n\u001a\n', 'RIFF0000WEBPVP9 '])(
  '%j is none',
  (text) => expect(pictureType(Buffer.from(text.padEnd(text === '' ? 0 : 40), 'latin1'))).toBeNull(),
);

test('the demo’s pictures are those that its options name', () => {
  const hashes = Object.values(pictures).map((one) =>
    createHash('sha256').update(Buffer.from(one, 'base64')).digest('hex'),
  );
  const named = Object.values(demoPolicy.options).flatMap(({ picture }) => picture?.image ?? []);
  expect(named.sort()).toEqual(hashes.sort());
});
