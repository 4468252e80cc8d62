import type { Estimate } from '../../core/time/estimate.ts';

/** “1–2 working days”, “1 hour”. */
export function estimateInWords({ min, max, unit }: Estimate): string {
  const name = unit === 'hours' ? 'hour' : 'working day';
  return `${min === max ? min : `${min}–${max}`} ${name}${max === 1 ? '' : 's'}`;
}
