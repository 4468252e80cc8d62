// Source: WCAG 2.2, definitions “relative luminance” and “contrast ratio”; the npm package `wcag-contrast` as a second
// implementation; figures of W3C's technique G18 (black on white is 21:1).
import fc from 'fast-check';
import wcag from 'wcag-contrast';
import { expect, test } from 'vitest';
import { contrastRatio, leastContrast, readableOn } from '../../src/core/wording/look/contrast.ts';
import { builtInLook, contrastsOf } from '../../src/core/wording/look/look.ts';

const colour = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`);

test('black on white is 21 to 1, and a colour on itself 1 to 1', () => {
  expect(contrastRatio('#000000', '#ffffff')).toBeCloseTo(21, 10);
  expect(contrastRatio('#767676', '#ffffff')).toBeGreaterThanOrEqual(4.5);
  expect(contrastRatio('#777777', '#ffffff')).toBeLessThan(4.5);
});

test('as another implementation has it', () => {
  fc.assert(
    fc.property(colour, colour, (one, other) => {
      expect(contrastRatio(one, other)).toBeCloseTo(wcag.hex(one, other), 1);
    }),
    { numRuns: 3000 },
  );
});

test('a mended colour stands out enough, and one that does is left alone', () => {
  fc.assert(
    fc.property(colour, colour, fc.constantFrom(leastContrast.text, leastContrast.part), (ground, ink, least) => {
      const mended = readableOn(ground, ink, least);
      expect(contrastRatio(ground, mended)).toBeGreaterThanOrEqual(least);
      if (contrastRatio(ground, ink) >= least) expect(mended).toBe(ink);
    }),
    { numRuns: 3000 },
  );
});

test('the built-in look is readable in every style', () => {
  for (const style of ['filled', 'ruled', 'label'] as const) {
    const found = contrastsOf({ ...builtInLook, style });
    expect(found.find(({ what }) => what === 'text')!.enough).toBe(true);
  }
});
