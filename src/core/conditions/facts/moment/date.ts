import { checkLocalTime, checkReadIn } from '../../../time/check-schedule.ts';
import { zoneOf } from '../../../time/schedule.ts';
import { instantOfLocal } from '../../../time/time-zone-clock.ts';
import type { Fact, FactForm } from '../../fact.ts';
import { checkEnds } from '../../forms/comparison.ts';
import type { MarketTerms } from '../../../markets/terms.ts';
import { numbers, type Span } from '../../../regions/values.ts';
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

/** Half-open: the moment of *before* and *to* is out, that of *from* is in (2-domain §5). ms since 1970-01-01T00:00Z */
function spanOf({ operator, at, to, readIn }: Node, terms: MarketTerms): Span {
  const zone = zoneOf(readIn, terms.clocks);
  switch (operator) {
    case 'before':
      return { from: -Infinity, to: instantOfLocal(zone, at, 'earlier') };
    case 'after':
      return { from: instantOfLocal(zone, at, 'later'), to: Infinity };
    case 'between':
      return { from: instantOfLocal(zone, at, 'earlier'), to: instantOfLocal(zone, to ?? at, 'later') };
  }
}

export const date: Fact<Node> = {
  id: 'instant',
  about: 'The moment',
  name: 'date',
  also: 'from until between before after season holiday',
  form,
  told: 'day',
  compile: (node, terms) => {
    const { from, to } = spanOf(node, terms);
    return plainLeaf(({ instant }) => instant >= from && instant < to);
  },
  asks: (node, terms) => ({
    fact: 'instant',
    values: numbers([spanOf(node, terms)]),
    among: numbers([{ from: -Infinity, to: Infinity }]),
  }),
  readOut: (node, reader) => {
    const at = local(node.at);
    const clock = reader.clock(node.readIn);
    if (node.operator === 'between') return `it is from ${at} until ${local(node.to ?? node.at)} ${clock}`;
    return `it is ${node.operator === 'before' ? `before ${at}` : `${at} or later`} ${clock}`;
  },
  begin: ({ today }) => ({ kind: 'instant', operator: 'after', at: `${today}T00:00`, readIn: 'store' }),
};
