import { checkLocalTime, checkReadIn } from '../../../time/check-schedule.ts';
import { zoneOf } from '../../../time/schedule.ts';
import { instantOfLocal } from '../../../time/time-zone-clock.ts';
import type { Fact, FactForm } from '../../fact.ts';
import { checkEnds } from '../../forms/comparison.ts';
import { plainLeaf, type LeafOf } from '../../leaf.ts';

type Node = LeafOf<'instant'>;

const form: FactForm<Node> = {
  kind: 'instant',
  definition: 'instantFact',
  schema: () => ({
    required: ['operator', 'at', 'readIn'],
    properties: {
      operator: {
        description: 'before and after leave the minute out and in; between includes the whole minute of its end',
        enum: ['before', 'after', 'between'],
      },
      at: { $ref: '#/$defs/localDateTime' },
      to: { $ref: '#/$defs/localDateTime' },
      readIn: { $ref: '#/$defs/readIn' },
    },
  }),
  asksFirst: null,
  check: (node, _policy, at, fault) => {
    checkEnds(node, at, fault);
    checkLocalTime(node.at, `${at}/at`, fault);
    if (node.to !== undefined && checkLocalTime(node.to, `${at}/to`, fault) && node.to <= node.at)
      fault(`${at}/to`, 'must be after at');
    checkReadIn(node.readIn, `${at}/readIn`, fault);
  },
};

const local = (text: string): string => text.replace('T', ' ');

export const date: Fact<Node> = {
  id: 'instant',
  about: 'The moment',
  name: 'date',
  also: 'from until between before after season holiday',
  form,
  told: 'day',
  /** Half-open: the moment of *before* and *to* is out, that of *from* is in (2-domain §5). */
  compile: ({ operator, at, to, readIn }, terms) => {
    const zone = zoneOf(readIn, terms.clocks);
    switch (operator) {
      case 'before': {
        const end = instantOfLocal(zone, at, 'earlier');
        return plainLeaf((facts) => facts.instant < end);
      }
      case 'after': {
        const start = instantOfLocal(zone, at, 'later');
        return plainLeaf((facts) => facts.instant >= start);
      }
      case 'between': {
        const start = instantOfLocal(zone, at, 'earlier');
        const end = instantOfLocal(zone, to ?? at, 'later');
        return plainLeaf((facts) => facts.instant >= start && facts.instant < end);
      }
    }
  },
  readOut: (node, reader) => {
    const at = local(node.at);
    const clock = reader.clock(node.readIn);
    if (node.operator === 'between') return `it is from ${at} until ${local(node.to ?? node.at)} ${clock}`;
    return `it is ${node.operator === 'before' ? `before ${at}` : `${at} or later`} ${clock}`;
  },
  begin: ({ today }) => ({ kind: 'instant', operator: 'after', at: `${today}T00:00`, readIn: 'store' }),
};
