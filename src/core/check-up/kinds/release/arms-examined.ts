import { spanOf } from '../../../experiments/compile-experiments.ts';
import { experimentsOf } from '../../../experiments/state.ts';
import { claimKindOf } from '../../../guarantees/registry.ts';
import { inOrder } from '../../../ordered.ts';
import type { Guarantee } from '../../../policy/types.ts';
import type { Examined } from '../../kind.ts';

/** What is looked at with the rules of an arm that differ from everybody’s. */
export interface ArmExamined {
  market: string;
  /** experiment and arm, as a finding of it is told apart */
  key: string;
  /** after “does not hold in …” */
  says: string;
  examined: Examined;
}

/** The arms of experiments that go on or will. */
export function armsExamined(examined: Examined): ArmExamined[] {
  const { compiled, now } = examined;
  return inOrder(compiled.policy.experiments ?? {}).flatMap(([id, experiment]) => {
    if (experiment.outcome || spanOf(compiled.policy, experiment).until <= now) return [];
    return inOrder(experiment.arms).flatMap(([armId, { name }]): ArmExamined[] => {
      const arm = experimentsOf(compiled).arm(id, armId);
      if (!arm || arm.compiled === compiled) return [];
      return [
        {
          market: experiment.market,
          key: `${id}/${armId}`,
          says: ` for shoppers who see “${name}” of experiment “${experiment.name}”`,
          examined: { ...examined, compiled: arm.compiled },
        },
      ];
    });
  });
}

const narrowed = new WeakMap<Guarantee, Map<string, Guarantee>>();

/**
 * A guarantee as it is looked at for an arm: only in the market of the experiment, unless it compares markets.
 *
 * @returns null where it does not speak of that market
 */
export function guaranteeForArm(guarantee: Guarantee, market: string): Guarantee | null {
  const { markets, claim } = guarantee;
  if (markets && !Object.hasOwn(markets, market)) return null;
  if (claimKindOf(claim).findAcross) return guarantee;
  const known = narrowed.get(guarantee) ?? new Map<string, Guarantee>();
  narrowed.set(guarantee, known);
  const made = known.get(market) ?? { ...guarantee, markets: { [market]: true } };
  known.set(market, made);
  return made;
}
