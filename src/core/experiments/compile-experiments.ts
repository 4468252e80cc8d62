import { compilePolicy, type CompiledPolicy } from '../evaluation/compile.ts';
import { inOrder } from '../ordered.ts';
import type { Experiment, Policy } from '../policy/types.ts';
import { compileSchedule, isWithin, type TimeSpan } from '../time/schedule.ts';
import { addDays } from '../time/day.ts';
import { armOfBucket, bucketOf } from './arm-of.ts';
import { policyOfArm } from './policy-of-arm.ts';
import { whyNothing } from './subject.ts';

/** An arm of an experiment, and the rules that its shoppers have. */
export interface ShoppersArm {
  experiment: string;
  offer: string;
  arm: string;
  compiled: CompiledPolicy;
}

interface CompiledExperiment {
  id: string;
  offer: string;
  /** while it goes on */
  span: TimeSpan;
  arms: readonly string[];
  /** hundredths of a percent of all shoppers, in the order of the arms */
  shares: readonly number[];
}

/** When experiments were ended before their day, by id; ms since 1970-01-01T00:00Z. */
export type EndedEarly = ReadonlyMap<string, number>;

/**
 * The experiments of a policy, ready to be asked for the arm of a shopper. In a market one goes on at a time, so that no arm is
 * mixed with another’s: where several would, the first in the list does.
 */
export class CompiledExperiments {
  readonly #compiled: CompiledPolicy;
  readonly #inMarket = new Map<string, CompiledExperiment[]>();
  /** rules of arms, by experiment and arm; made when somebody asks first */
  readonly #rules = new Map<`${string}/${string}`, CompiledPolicy>();

  constructor(compiled: CompiledPolicy) {
    this.#compiled = compiled;
    const { policy } = compiled;
    for (const [id, experiment] of inOrder(policy.experiments ?? {})) {
      if (experiment.outcome || whyNothing(policy, experiment) !== null) continue;
      const arms = inOrder(experiment.arms);
      const inMarket = this.#inMarket.get(experiment.market) ?? [];
      this.#inMarket.set(experiment.market, inMarket);
      inMarket.push({
        id,
        offer: experiment.offer,
        span: spanOf(policy, experiment),
        arms: arms.map(([arm]) => arm),
        shares: arms.map(([, { share }]) => share),
      });
    }
  }

  /** Whether there is none that could ever go on. */
  get none(): boolean {
    return this.#inMarket.size === 0;
  }

  /** The experiment that goes on in a market; null: none. @param instant ms since 1970-01-01T00:00Z */
  goingOn(market: string, instant: number, ended: EndedEarly): string | null {
    return this.#find(market, instant, ended)?.id ?? null;
  }

  /** The same, or where none goes on the first that will. */
  next(market: string, instant: number, ended: EndedEarly): string | null {
    const here = (this.#inMarket.get(market) ?? []).filter(({ id, span }) => span.until > instant && !ended.has(id));
    return this.goingOn(market, instant, ended) ?? here.sort((a, b) => a.span.from - b.span.from)[0]?.id ?? null;
  }

  /**
   * The arm that a shopper belongs to; null where no experiment goes on, or the shopper takes no part.
   *
   * @param shopper a key of the shop’s that stays the same for a shopper @param instant ms since 1970-01-01T00:00Z
   */
  armOf(market: string, shopper: string, instant: number, ended: EndedEarly): ShoppersArm | null {
    const found = this.#find(market, instant, ended);
    if (!found) return null;
    const place = armOfBucket(bucketOf(found.id, shopper), found.shares);
    return place === null ? null : this.arm(found.id, found.arms[place]!);
  }

  /** An arm by its name, with its rules; null where there is none, or it tries nothing. */
  arm(experimentId: string, armId: string): ShoppersArm | null {
    const { policy } = this.#compiled;
    const { experiments = {} } = policy;
    const experiment = Object.hasOwn(experiments, experimentId) ? experiments[experimentId] : undefined;
    if (!experiment || !Object.hasOwn(experiment.arms, armId) || whyNothing(policy, experiment) !== null) return null;
    const key = `${experimentId}/${armId}` as const;
    let compiled = this.#rules.get(key);
    if (!compiled) {
      const rules = policyOfArm(policy, experiment, armId);
      compiled = rules === policy ? this.#compiled : compilePolicy(rules);
      this.#rules.set(key, compiled);
    }
    return { experiment: experimentId, offer: experiment.offer, arm: armId, compiled };
  }

  #find(market: string, instant: number, ended: EndedEarly): CompiledExperiment | undefined {
    return this.#inMarket
      .get(market)
      ?.find(({ id, span }) => isWithin(span, instant) && instant < (ended.get(id) ?? Infinity));
  }
}

/** Its last day on the store’s clock: the planned one, or that on which somebody ended it before. */
export const lastDayOf = ({ until, outcome }: Pick<Experiment, 'until' | 'outcome'>): string =>
  outcome && outcome.endedOn < until ? outcome.endedOn : until;

/** From the first minute of its first day to the last of its last, on the store’s clock. */
export function spanOf({ store }: Pick<Policy, 'store'>, experiment: Experiment): TimeSpan {
  const { from } = experiment;
  return compileSchedule(
    { readIn: 'store', from: `${from}T00:00`, until: `${addDays(lastDayOf(experiment), 1)}T00:00` },
    { store: store.timeZone, market: store.timeZone },
  );
}
