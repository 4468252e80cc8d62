import { useMemo } from 'react';
import { findMarket } from '../../core/evaluation/find-zone.ts';
import { armName, type ArmName } from '../../core/experiments/arm-name.ts';
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
  /** how an arm is asked for */
  nameOf: (arm: string) => ArmName;
}

/**
 * The experiment that goes on in a cart’s market at its moment, or will next, and the arm that is looked at. Where an arm of
 * another experiment of that market is asked for, it is that one: an order that is looked at again may be of one that is over.
 *
 * @param asked as `armName` writes it; '' for the arm that sees the goal as it stands
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
    const { experiments = {} } = compiled.policy;
    const [wanted = '', wantedArm = ''] = asked.split('/');
    const there = market && Object.hasOwn(experiments, wanted) && experiments[wanted]!.market === market.id;
    const id = there ? wanted : market && experimentsOf(compiled).next(market.id, instant, ended);
    const experiment = id && experiments[id];
    if (!id || !experiment) return { shown: null, choices: null };
    const arms = inOrder(experiment.arms);
    const plain = arms.find(([, { version }]) => version.kind === 'asIs')?.[0] ?? '';
    const chosen = there && Object.hasOwn(experiment.arms, wantedArm) ? wantedArm : plain;
    return {
      shown: chosen === '' ? null : { experiment: id, arm: chosen },
      choices: {
        name: experiment.name,
        arms: arms.map(([arm, { name }]) => [arm, name] as const),
        chosen,
        nameOf: (arm) => armName(id, arm),
      },
    };
  }, [compiled, destination, at, now, ended, asked]);
}
