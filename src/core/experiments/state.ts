import type { Experiment, Policy } from '../policy/types.ts';
import { CompiledExperiments, spanOf, type EndedEarly } from './compile-experiments.ts';
import { whyNothing } from './subject.ts';
import type { CompiledPolicy } from '../evaluation/compile.ts';

/** How an experiment of the draft stands for shoppers. */
export type ExperimentState =
  'decided' | 'endedItself' | 'notReleased' | 'begins' | 'triesNothing' | 'waits' | 'goesOn' | 'over';

/**
 * @param released the rules that shoppers have; null: none yet @param now ms since 1970-01-01T00:00Z
 */
export function stateOf(
  id: string,
  experiment: Experiment,
  released: CompiledPolicy | null,
  now: number,
  ended: EndedEarly,
): ExperimentState {
  if (experiment.outcome) return 'decided';
  if (ended.has(id)) return 'endedItself';
  const current: Policy | undefined = released?.policy;
  const known = current?.experiments?.[id];
  if (!released || !current || !known || known.outcome) return 'notReleased';
  const { from, until } = spanOf(current, known);
  if (now < from) return 'begins';
  if (now >= until) return 'over';
  if (whyNothing(current, known) !== null) return 'triesNothing';
  return experimentsOf(released).goingOn(known.market, now, ended) === id ? 'goesOn' : 'waits';
}

const made = new WeakMap<CompiledPolicy, CompiledExperiments>();

/** The experiments of a compiled policy, made once. */
export function experimentsOf(compiled: CompiledPolicy): CompiledExperiments {
  let experiments = made.get(compiled);
  if (!experiments) made.set(compiled, (experiments = new CompiledExperiments(compiled)));
  return experiments;
}
