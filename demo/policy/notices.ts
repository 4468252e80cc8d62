import type { Policy } from '../../src/core/policy/types.ts';
import { condition } from './qualifiers.ts';

/** Messages without a goal, read where no offer has anything to say. */
export const notices: NonNullable<Policy['notices']> = {
  'order-today': {
    order: 1,
    name: 'Order by four',
    note: 'Close by and on the mainland parcels leave the same day until 16:00.',
    on: true,
    priority: 10,
    markets: { nlbe: true },
    countdown: { to: 'cutOff', on: { by: 'kind', kinds: ['parcel'] }, withinHours: 6 },
  },
  'winter-storms': {
    order: 2,
    name: 'Winter storms',
    note: 'Taken off once the ferries run again as they should.',
    on: false,
    priority: 20,
    when: condition('all', { kind: 'word', fact: 'destination.country', operator: 'is', values: ['NL'] }),
    schedule: { readIn: 'store', from: '2026-12-01T00:00', until: '2026-12-08T00:00' },
  },
  'before-the-holidays': {
    order: 3,
    name: 'Before the holidays',
    note: '',
    on: true,
    priority: 0,
    markets: { uk: true, us: true },
    schedule: { readIn: 'market', from: '2026-12-07T00:00', until: '2026-12-24T00:00' },
    countdown: { to: 'moment', at: '2026-12-17T16:00', readIn: 'market', withinHours: 240 },
  },
};
