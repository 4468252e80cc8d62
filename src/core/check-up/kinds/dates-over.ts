import { inOrder } from '../../ordered.ts';
import { compileSchedule, type Clocks } from '../../time/schedule.ts';
import { dayInWords } from '../../wording/day-in-words.ts';
import type { Schedule } from '../../policy/types.ts';
import type { Found } from '../finding.ts';
import type { Examined, FindingKind } from '../kind.ts';

/** What is switched on, and is over for longer than a month. A schedule that ends before it begins is refused where it is typed. */
export const offerDates: FindingKind = {
  kind: 'offerDates',
  called: 'offers that are on and over',
  stop: 'offers',
  find: (examined) =>
    datesIn(examined, 'offers', inOrder(examined.compiled.policy.offers), ({ store }) => ({ store, market: store })),
};

export const noticeDates: FindingKind = {
  kind: 'noticeDates',
  called: 'notices that are on and over',
  stop: 'wording',
  find: (examined) =>
    datesIn(examined, 'notices', inOrder(examined.compiled.policy.notices ?? {}), ({ store }) => ({
      store,
      market: store,
    })),
};

export const optionDates: FindingKind = {
  kind: 'optionDates',
  called: 'options that are on and over',
  stop: 'delivery',
  find: (examined) =>
    [...examined.compiled.markets.values()].flatMap(({ id, terms, zones }) =>
      datesIn(
        examined,
        'options',
        zones.flatMap(({ options }) => options.map((option) => [option.id, option.option] as const)),
        () => terms.clocks,
      ).map((found) => ({ ...found, marketId: id })),
    ),
};

const longOver = 30 * 86_400_000;

type Dated = readonly [string, { name: string; on: boolean; schedule?: Schedule }];

function datesIn(
  { compiled, now, locale }: Examined,
  root: string,
  entries: readonly Dated[],
  clocksOf: (of: { store: string }) => Clocks,
): Found[] {
  const clocks = clocksOf({ store: compiled.policy.store.timeZone });
  return entries.flatMap(([id, { name, on, schedule }]): Found[] => {
    if (!on || !schedule) return [];
    const { until } = compileSchedule(schedule, clocks);
    if (until > now - longOver) return [];
    const ended = dayInWords(until, { timeZone: clocks.market, language: locale }, false);
    return [
      {
        severity: 'remark',
        at: `/${root}/${id}/schedule`,
        marketId: null,
        sentence: `“${name}” is on, but it ended on ${ended}.`,
        example: null,
        remedy: { says: 'Turn it off', patch: [{ op: 'replace', path: `/${root}/${id}/on`, value: false }] },
      },
    ];
  });
}
