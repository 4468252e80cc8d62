import type { AskedCart } from '../../core/evaluation/asked-cart.ts';
import { findMarket } from '../../core/evaluation/find-zone.ts';
import { armName, type ArmName } from '../../core/experiments/arm-name.ts';
import type { ShoppersArm } from '../../core/experiments/compile-experiments.ts';
import type { CurrentPolicy } from '../quote/current-policy.ts';

/** The rules that a shopper has, and the arm that they come from; null: of none. */
export interface ShoppersRules {
  rules: CurrentPolicy;
  arm: ShoppersArm | null;
}

/**
 * The rules for a shopper at a moment: those of the arm that the shopper belongs to, where an experiment goes on.
 *
 * @param shopper the shop’s key; absent: belongs to no arm @param instant ms since 1970-01-01T00:00Z
 */
export function rulesFor(
  current: CurrentPolicy,
  { destination, market: chosen }: Pick<AskedCart, 'destination' | 'market'>,
  shopper: string | undefined,
  instant: number,
): ShoppersRules {
  if (shopper === undefined || current.experiments.none) return { rules: current, arm: null };
  const market = findMarket(current.compiled, destination, chosen);
  const arm = market && current.experiments.armOf(market.id, shopper, instant, current.ended);
  return { rules: arm ? { ...current, compiled: arm.compiled } : current, arm };
}

/** The rules of an arm that was kept by its name; those of all where it is none, or not there any more. */
export function rulesOfArm(current: CurrentPolicy, kept: ArmName | ''): ShoppersRules {
  const [experiment, arm] = kept.split('/');
  const found = experiment && arm ? current.experiments.arm(experiment, arm) : null;
  return { rules: found ? { ...current, compiled: found.compiled } : current, arm: found };
}

/** As orders and quotes keep it; '' for none. */
export const keptName = (arm: ShoppersArm | null): ArmName | '' => (arm ? armName(arm.experiment, arm.arm) : '');
