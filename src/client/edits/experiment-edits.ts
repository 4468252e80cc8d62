import { orderAfterLast } from '../../core/ordered.ts';
import type { Experiment, ExperimentOutcome } from '../../core/policy/types.ts';
import { goalOfVersion } from '../../core/experiments/policy-of-arm.ts';
import { whyNothing } from '../../core/experiments/subject.ts';
import type { Edit } from './edit.ts';
import { inTurn, setAt } from './set-at.ts';

/** An experiment put at the end of the list. */
export const addExperiment =
  (id: string, experiment: Omit<Experiment, 'order'>): Edit =>
  (policy) =>
    setAt(['experiments', id], { ...experiment, order: orderAfterLast(policy.experiments ?? {}) })(policy);

/** Takes an experiment out, with what was learnt. */
export const removeExperiment =
  (id: string): Edit =>
  (policy) => {
    const last = Object.keys(policy.experiments ?? {}).every((other) => other === id);
    return setAt(last ? ['experiments'] : ['experiments', id], undefined)(policy);
  };

/** Says how an experiment ended, and gives the version that is kept to everybody: one edit. */
export const endExperiment =
  (id: string, outcome: ExperimentOutcome): Edit =>
  (policy) => {
    const experiment = policy.experiments?.[id];
    if (!experiment) return [];
    const ended = setAt(['experiments', id, 'outcome'], outcome);
    const version = outcome.kept === null ? undefined : experiment.arms[outcome.kept]?.version;
    if (!version || version.kind === 'asIs' || whyNothing(policy, experiment) !== null) return ended(policy);
    const { offer, goal, market } = experiment;
    const kept = goalOfVersion(policy.offers[offer]!.goals[goal]!, version, market);
    return inTurn(ended, setAt(['offers', offer, 'goals', goal], kept))(policy);
  };

/** Takes back how an experiment ended. What was kept of it stays. */
export const reopenExperiment = (id: string): Edit => setAt(['experiments', id, 'outcome'], undefined);
