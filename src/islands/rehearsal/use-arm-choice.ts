import { useMemo } from 'react';
import { findMarket } from '../../core/evaluation/find-zone.ts';
import { experimentsOf } from '../../core/experiments/state.ts';
import { inOrder } from '../../core/ordered.ts';
import type { TestCart } from '../../core/policy/types.ts';
import { useCompiled, useEnded, useNow } from '../page/page-context.tsx';

/** The arms that a cart can be looked at in. */
export interface ArmChoices {
  /** of the experiment */
  name: string;
  arms: (readonly [id: string, name: string])[];
  /** '' where none is */
  chosen: string;
}

/**
 * The experiment that goes on in a cart’s market at its moment, or will next, and the arm that is looked at.
 *
 * @param asked the arm asked for; '' for the one that sees the goal as it stands
 */
export function useArmChoice(
  cart: TestCart,
  asked: string,
): { shown: { experiment: string; arm: string } | null; choices: ArmChoices | null } {
  const compiled = useCompiled();
  const now = useNow();
  const ended = useEnded();
  const { destination, at } = cart;
  return useMemo(() => {
    const market = findMarket(compiled, destination);
    const instant = at === undefined ? now : Date.parse(at);
    const id = market && experimentsOf(compiled).next(market.id, instant, ended);
    const experiment = id && compiled.policy.experiments?.[id];
    if (!id || !experiment) return { shown: null, choices: null };
    const arms = inOrder(experiment.arms);
    const plain = arms.find(([, { version }]) => version.kind === 'asIs')?.[0] ?? '';
    const chosen = arms.some(([arm]) => arm === asked) ? asked : plain;
    return {
      shown: chosen === '' ? null : { experiment: id, arm: chosen },
      choices: { name: experiment.name, arms: arms.map(([arm, { name }]) => [arm, name] as const), chosen },
    };
  }, [compiled, destination, at, now, ended, asked]);
}
