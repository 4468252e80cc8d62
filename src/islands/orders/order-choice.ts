import type { OrderBounds } from '../../core/orders/study.ts';
import { dateOfDay } from '../../core/time/day.ts';

/** Periods that are asked for often, ending with the last day known. */
export function periodsOf({
  firstDay,
  lastDay,
}: OrderBounds): { id: string; name: string; from: string; to: string }[] {
  const back = (days: number) => dateOfDay(Math.max(firstDay, lastDay - days + 1));
  return [
    { id: 'all', name: 'all the time', from: '', to: '' },
    { id: 'year', name: 'the last 12 months', from: back(365), to: '' },
    { id: 'half', name: 'the last 6 months', from: back(183), to: '' },
    { id: 'quarter', name: 'the last 3 months', from: back(91), to: '' },
  ];
}

/** Amounts in an address: minor units, comma between. */
export function amountsIn(text: string | undefined): number[] {
  return (text ?? '').split(',').flatMap((part) => (/^\d{1,13}$/.test(part) ? [Number(part)] : []));
}
