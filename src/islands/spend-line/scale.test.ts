import { expect, test } from 'vitest';
import type { Sweep } from '../../core/sweep/sweep.ts';
import { spendScale } from './scale.ts';

/** The price at the upper end of the axis, minor units. */
function highest(segments: Sweep['segments'], currency = 'EUR'): number {
  const sweep = { segments } as Sweep;
  const { priceY } = spendScale(800, currency, { distribution: null, sweep, goal: null });
  return priceY.invert(priceY.range[1]);
}

test('the axis of prices has figures to tell apart where nothing is offered, or all of it free', () => {
  expect(highest([])).toBeGreaterThanOrEqual(100);
  expect(highest([], 'JPY')).toBeGreaterThanOrEqual(1);
});
