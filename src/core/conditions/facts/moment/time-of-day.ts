import { checkReadIn } from '../../../time/check-schedule.ts';
import { zoneOf } from '../../../time/schedule.ts';
import { minuteOfDay } from '../../../time/working-days.ts';
import { localTime } from '../../../time/time-zone-clock.ts';
import type { Fact, FactForm } from '../../fact.ts';
import { numbers } from '../../../regions/values.ts';
import { plainLeaf, type LeafOf } from '../../leaf.ts';

type Node = LeafOf<'timeOfDay'>;

const form: FactForm<Node> = {
  kind: 'timeOfDay',
  definition: 'timeOfDayFact',
  schema: () => ({
    required: ['from', 'to', 'readIn'],
    properties: {
      from: { $ref: '#/$defs/timeOfDay' },
      to: {
        description: 'the first minute that is out; not after from: goes past midnight',
        $ref: '#/$defs/timeOfDay',
      },
      readIn: { $ref: '#/$defs/readIn' },
    },
  }),
  asksFirst: null,
  check: ({ readIn }, _policy, at, fault) => void checkReadIn(readIn, `${at}/readIn`, fault),
};

const minutesOfDay = 24 * 60;

/** The first moment after a stretch of the day, in words. */
function until({ from, to }: Pick<Node, 'from' | 'to'>): string {
  if (to === '00:00') return 'the end of the day';
  return to <= from ? `${to} of the next day` : to;
}

export const timeOfDay: Fact<Node> = {
  id: 'timeOfDay',
  about: 'The moment',
  name: 'time of day',
  also: 'hour evening night morning happy hour',
  form,
  told: 'never',
  compile: ({ from: begins, to: ends, readIn }, terms) => {
    const zone = zoneOf(readIn, terms.clocks);
    const [from, to] = [minuteOfDay(begins), minuteOfDay(ends)];
    return plainLeaf(({ instant }) => {
      const { minute } = localTime(zone, instant);
      return from < to ? minute >= from && minute < to : minute >= from || minute < to;
    });
  },
  asks: ({ from: begins, to: ends, readIn }, terms) => {
    const [from, to] = [minuteOfDay(begins), minuteOfDay(ends)];
    const spans =
      from < to
        ? [{ from, to }]
        : [
            { from: 0, to },
            { from, to: minutesOfDay },
          ];
    return {
      fact: `timeOfDay ${zoneOf(readIn, terms.clocks)}`,
      values: numbers(spans),
      among: numbers([{ from: 0, to: minutesOfDay }]),
    };
  },
  readOut: (node, reader) => `the time is from ${node.from} until ${until(node)} ${reader.clock(node.readIn)}`,
  begin: () => ({ kind: 'timeOfDay', from: '18:00', to: '00:00', readIn: 'store' }),
};
