import { checkReadIn } from '../../../time/check-schedule.ts';
import { isoWeekday } from '../../../time/day.ts';
import { zoneOf } from '../../../time/schedule.ts';
import { localTime } from '../../../time/time-zone-clock.ts';
import type { Fact, FactForm } from '../../fact.ts';
import { words } from '../../../regions/values.ts';
import { plainLeaf, type LeafOf } from '../../leaf.ts';
import { listed } from '../../reader.ts';

type Node = LeafOf<'weekday'>;

const everyDay = ['1', '2', '3', '4', '5', '6', '7'];
const names = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

const form: FactForm<Node> = {
  kind: 'weekday',
  definition: 'weekdayFact',
  schema: () => ({
    required: ['days', 'readIn'],
    properties: { days: { $ref: '#/$defs/weekdays' }, readIn: { $ref: '#/$defs/readIn' } },
  }),
  asksFirst: null,
  check: ({ readIn }, _policy, at, fault) => void checkReadIn(readIn, `${at}/readIn`, fault),
};

export const weekday: Fact<Node> = {
  id: 'weekday',
  about: 'The moment',
  name: 'day of the week',
  also: 'weekend monday tuesday wednesday thursday friday saturday sunday',
  form,
  told: 'day',
  compile: ({ days: stated, readIn }, terms) => {
    const zone = zoneOf(readIn, terms.clocks);
    const days = new Set(stated);
    return plainLeaf(({ instant }) => days.has(isoWeekday(localTime(zone, instant).day)));
  },
  asks: ({ days, readIn }, terms) => ({
    fact: `weekday ${zoneOf(readIn, terms.clocks)}`,
    values: words(days.map(String), everyDay),
    among: words(everyDay, everyDay),
  }),
  readOut: ({ days, readIn }, reader) => {
    const named = [...days].sort((a, b) => a - b).map((day) => names[day - 1]!);
    return `the day is ${listed(named, 'or')} ${reader.clock(readIn)}`;
  },
  begin: () => ({ kind: 'weekday', days: [6, 7], readIn: 'store' }),
};
