import type { Fault } from '../../policy/fault.ts';
import type { Comparison } from '../../policy/types.ts';

/** Members of a leaf that compares a number, in the schema. */
export const comparedNumber = (maximum: number, unit?: string) => {
  const described = unit === undefined ? {} : { description: unit };
  const end = unit === undefined ? 'the upper end of between, included' : `${unit}, included`;
  return {
    operator: { $ref: '#/$defs/comparison' },
    value: { ...described, type: 'number', minimum: 0, maximum },
    to: { description: end, type: 'number', minimum: 0, maximum },
  };
};

interface Compared<Value> {
  operator: Comparison | 'before' | 'after';
  to?: Value;
}

/** Both ends for *between*, and one for everything else. */
export function checkEnds(node: Compared<unknown>, at: string, fault: Fault): void {
  if (node.to !== undefined && node.operator !== 'between') fault(`${at}/to`, 'is only for between');
  if (node.operator === 'between' && node.to === undefined) fault(`${at}/to`, 'is missing: between needs both ends');
}

/** The same for numbers, which run upward. */
export function checkNumbers(node: Compared<number> & { value: number }, at: string, fault: Fault): void {
  checkEnds(node, at, fault);
  if (node.to !== undefined && node.to < node.value) fault(`${at}/to`, 'must not be less than value');
}
