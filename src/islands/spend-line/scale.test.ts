import { expect, test } from 'vitest';
import type { Sweep } from '../../core/sweep/sweep.ts';
import { spendScale } from './scale.ts';

const priceAxis = (segments: Sweep['segments'], currency = 'EUR') =>
  spendScale(800, currency, { distribution: null, sweep: { segments } as Sweep, goal: null }).priceY.domain();

test('the axis of prices has figures to tell apart where nothing is offered, or all of it free', () => {
  expect(priceAxis([])[1]).toBeGreaterThanOrEqual(100);
  expect(priceAxis([], 'JPY')[1]).toBeGreaterThanOrEqual(1);
});
