import type { Charge, ChargeLine, LocalAmount } from '../../src/core/policy/types.ts';

export const exact = (minor: number): LocalAmount => ({ exact: minor });

/** An amount that follows one in EUR. */
export const following = (
  base: number,
  step: number,
  more: Partial<{ buffer: string; round: 'nearest' | 'up' | 'down'; less: number }> = {},
): LocalAmount => ({
  following: { base, buffer: '0', round: 'nearest', step, less: 0, ...more },
});

export const charge = (
  combine: Charge['combine'],
  lines: Omit<ChargeLine, 'order'>[],
  more: Partial<Omit<Charge, 'combine' | 'lines'>> = {},
): Charge => ({
  combine,
  lines: Object.fromEntries(lines.map((line, index) => [`line-${index + 1}`, { order: index + 1, ...line }])),
  otherwise: { kind: 'notOffered' },
  ...more,
});
