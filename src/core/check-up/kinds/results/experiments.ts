import { spanOf } from '../../../experiments/compile-experiments.ts';
import { whyNothing } from '../../../experiments/subject.ts';
import { nothingTriedInWords } from '../../../experiments/why-nothing-in-words.ts';
import { inOrder } from '../../../ordered.ts';
import type { Experiment } from '../../../policy/types.ts';
import { dayInWords } from '../../../wording/day-in-words.ts';
import type { Found } from '../../finding.ts';
import type { Examined, FindingKind } from '../../kind.ts';

type Undecided = readonly [id: string, experiment: Experiment, span: { from: number; until: number }];

/** Those that nobody has ended. */
const undecided = ({ compiled: { policy } }: Examined): Undecided[] =>
  inOrder(policy.experiments ?? {}).flatMap(([id, experiment]) =>
    experiment.outcome ? [] : [[id, experiment, spanOf(policy, experiment)] as const],
  );

const found = ([id, { market }]: Undecided, severity: Found['severity'], sentence: string): Found => ({
  severity,
  at: `/experiments/${id}`,
  marketId: market,
  sentence,
  example: null,
  remedy: null,
});

/** An experiment whose arms are all alike, because what it was to try cannot be seen by anybody. */
export const experimentTriesNothing: FindingKind = {
  kind: 'experimentTriesNothing',
  called: 'experiments that try nothing',
  stop: 'results',
  find: (examined) =>
    undecided(examined).flatMap((one) => {
      const [, experiment, span] = one;
      const why = span.until > examined.now ? whyNothing(examined.compiled.policy, experiment) : null;
      return why === null
        ? []
        : [found(one, 'risky', `Experiment “${experiment.name}” tries nothing: ${nothingTriedInWords[why]}.`)];
    }),
};

/** In a market one experiment goes on at a time: another waits. */
export const experimentsMeet: FindingKind = {
  kind: 'experimentsMeet',
  called: 'experiments that wait for others',
  stop: 'results',
  find: (examined) => {
    const open = undecided(examined).filter(([, , { until }]) => until > examined.now);
    return open.flatMap((one, place) => {
      const [, { name, market }, { from, until }] = one;
      const first = open
        .slice(0, place)
        .find(([, other, span]) => other.market === market && span.from < until && from < span.until);
      return first
        ? [
            found(
              one,
              'risky',
              `Experiment “${name}” waits while “${first[1].name}” goes on: in a market one experiment goes on at a time.`,
            ),
          ]
        : [];
    });
  },
};

/** An experiment whose last day is over, and of which nobody has said what becomes of it. */
export const experimentOver: FindingKind = {
  kind: 'experimentOver',
  called: 'experiments that are over and not decided',
  stop: 'results',
  find: (examined) => {
    const { store } = examined.compiled.policy;
    return undecided(examined).flatMap((one) => {
      const [, { name }, { until }] = one;
      if (until > examined.now) return [];
      const last = dayInWords(until - 1, { timeZone: store.timeZone, language: examined.locale }, false);
      return [
        found(
          one,
          'remark',
          `Experiment “${name}” is over since ${last}, and its goal stands as it did. Say at Results what is kept of it.`,
        ),
      ];
    });
  },
};
