import { whyNothing } from '../experiments/subject.ts';
import { nothingTriedInWords } from '../experiments/why-nothing-in-words.ts';
import { inOrder } from '../ordered.ts';
import type { Experiment, Policy } from '../policy/types.ts';
import { same } from '../same.ts';

/** What another policy does to an experiment, as a sentence. */
export interface ExperimentChanged {
  id: string;
  sentence: string;
}

/**
 * Which experiments another policy begins, changes or ends, those of the new one first. Orders cannot be compared before and
 * after for them: what an arm sees is seen by its share of known shoppers alone, and only within its days.
 *
 * @param language BCP 47, in which days and shares are written
 */
export function experimentsChanged(was: Policy, is: Policy, language: string): ExperimentChanged[] {
  const [before, after] = [liveOf(was), liveOf(is)];
  const said = [...after].flatMap(([id, experiment]): ExperimentChanged[] => {
    const known = before.get(id);
    if (known && same(seen(known), seen(experiment))) return [];
    const begins = known ? `goes on otherwise` : 'begins';
    return [{ id, sentence: `${called(experiment, is)} ${begins}: ${planInWords(experiment, is, language)}` }];
  });
  const over = [...before].flatMap(([id, experiment]): ExperimentChanged[] =>
    after.has(id)
      ? []
      : [{ id, sentence: `${called(experiment, was)} ends: every shopper there has the same goal again.` }],
  );
  return [...said, ...over];
}

/** Those that nobody has decided yet. */
const liveOf = ({ experiments }: Policy): Map<string, Experiment> =>
  new Map(inOrder(experiments ?? {}).filter(([, { outcome }]) => outcome === undefined));

/** What of an experiment shoppers can come to see. */
const seen = ({ market, offer, goal, arms, from, until }: Experiment) => ({
  ...{ market, offer, goal, from, until },
  arms: inOrder(arms).map(([id, { share, version }]) => ({ id, share, version })),
});

const called = ({ name, market }: Experiment, { markets }: Policy): string =>
  `The experiment “${name}” in ${markets[market]?.name ?? market}`;

function planInWords(experiment: Experiment, policy: Policy, language: string): string {
  const nothing = whyNothing(policy, experiment);
  if (nothing) return `it tries nothing, ${nothingTriedInWords[nothing]}.`;
  const date = new Intl.DateTimeFormat(language, { dateStyle: 'long', timeZone: 'UTC' });
  const share = new Intl.NumberFormat(language, { style: 'percent', maximumFractionDigits: 2 });
  const arms = inOrder(experiment.arms);
  const rest = 10_000 - arms.reduce((sum, [, { share: part }]) => sum + part, 0);
  const parts = [
    ...arms.map(([, arm]) => `${share.format(arm.share / 10_000)} see “${arm.name}”`),
    ...(rest > 0 ? [`${share.format(rest / 10_000)} take no part`] : []),
  ];
  const [from, until] = [experiment.from, experiment.until].map((day) => date.format(Date.parse(`${day}T00:00Z`)));
  return `from ${from} to ${until}, of the shoppers that the shop knows ${new Intl.ListFormat('en').format(parts)}.`;
}
