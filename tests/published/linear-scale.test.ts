// Source: d3-scale (scaleLinear), a reference library for scales.
import { scaleLinear } from 'd3-scale';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { linearScale } from '../../src/ui/chart/linear-scale.ts';

const pair = fc.tuple(fc.integer({ min: -1e7, max: 1e7 }), fc.integer({ min: -1e7, max: 1e7 }));
const near = (found: number, expected: number) =>
  expect(Math.abs(found - expected)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(expected)));

test('places, values at places and round values are those of d3-scale', () =>
  fc.assert(
    fc.property(
      pair,
      pair,
      fc.integer({ min: -1e7, max: 1e7 }),
      fc.integer({ min: 1, max: 20 }),
      (domain, range, at, count) => {
        const [ours, theirs] = [linearScale(domain, range), scaleLinear(domain, range)];
        near(ours(at), theirs(at));
        near(ours.invert(at), theirs.invert(at));
        expect(ours.ticks(count)).toEqual(theirs.ticks(count));
        expect(ours.range).toEqual(theirs.range());
      },
    ),
  ));
