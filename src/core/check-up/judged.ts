import { possibleRegion } from '../conditions/condition-region.ts';
import { leaves } from '../conditions/leaves.ts';
import type { Condition } from '../policy/types.ts';
import { mostBoxes, type Tree } from '../regions/region.ts';
import { allOf, noneOf } from './charge-trees.ts';

/** Whether something holds for no cart, for every one, or for some; null: not examined. */
export type Judged = 'never' | 'always' | 'sometimes' | null;

/** @param known what is known of every cart that it is asked of */
export function judged(asked: Tree, known: Tree): Judged {
  const where = possibleRegion(allOf(known, asked));
  if (where === null) return null;
  if (where.length === 0) return 'never';
  const elsewhere = possibleRegion(allOf(known, noneOf(asked)));
  if (elsewhere === null) return null;
  return elsewhere.length === 0 ? 'always' : 'sometimes';
}

/** One with nothing in it is about to be written. */
export const isWritten = (condition: Condition | undefined): condition is Condition =>
  condition !== undefined && leaves(condition).length > 0;

export const tooMany = (name: string): string =>
  `What “${name}” asks for comes to more than ${mostBoxes} combinations.`;
