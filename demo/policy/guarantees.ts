import type { Guarantee } from '../../src/core/policy/types.ts';

/** What Gustmoor Kites wants to hold whatever anyone edits. All of them do. */
export const guarantees: Record<string, Guarantee> = {
  'somewhere-to-choose': {
    order: 1,
    name: 'Somewhere to choose for every covered destination',
    on: true,
    claim: { kind: 'offered', of: 'some', on: { by: 'all' } },
  },
  members: {
    order: 2,
    name: 'Members never pay more than guests',
    on: true,
    when: {
      of: 'all',
      conditions: {
        group: { order: 1, kind: 'word', fact: 'shopper.group', operator: 'contains', values: ['members'] },
      },
    },
    claim: { kind: 'noMoreThanGuests', on: { by: 'all' } },
  },
  'collecting-free': {
    order: 3,
    name: 'Collecting costs nothing',
    on: true,
    claim: { kind: 'free', of: 'each', on: { by: 'kind', kinds: ['pickUp'] } },
  },
};
