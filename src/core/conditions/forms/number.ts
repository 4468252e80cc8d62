import type { Facts } from '../asked.ts';
import { isInRange, rangeOf } from '../compare.ts';
import type { Fact, FactForm, FactWords, ToldByOrders } from '../fact.ts';
import { edgesOf, plainLeaf, type CountedMeasure, type LeafOf } from '../leaf.ts';
import { compared, type Reader } from '../reader.ts';
import { checkNumbers, comparedNumber } from './comparison.ts';

type Node = LeafOf<'number'>;

export const numberForm: FactForm<Node> = {
  kind: 'number',
  definition: 'numberFact',
  schema: (facts) => ({
    required: ['fact', 'operator', 'value'],
    properties: {
      fact: {
        description:
          'counts; days; minor units of the base currency; grams, cm³, grams at 5000 cm³/kg, mm; quantity of one line',
        enum: [...facts],
      },
      ...comparedNumber(1_000_000_000_000),
    },
  }),
  field: 'number',
  asksFirst: null,
  check: (node, _policy, at, fault) => checkNumbers(node, at, fault),
};

interface NumberFact extends FactWords {
  /** as read-outs name it */
  called: string;
  /** after the number, as read-outs write it */
  said?: string;
  /** after the number, as it is typed */
  unit?: string;
  /** undefined where it is not known; of several numbers one that fits is enough */
  of: (facts: Facts) => number | undefined | readonly number[];
  /** the measure of the cart that it is, or changes with */
  measure?: CountedMeasure;
  usual: number;
  /** where it is not a plain number */
  write?: (value: number, reader: Reader) => string;
  told?: ToldByOrders;
}

/** A fact that is a number, compared with one. */
export function numberFact(id: Node['fact'], known: NumberFact): Fact<Node> {
  const { about, name, also, called, said = '', unit, of, measure, usual, write, told = 'never' } = known;
  return {
    id,
    about,
    name,
    also,
    form: numberForm,
    told,
    ...(unit === undefined ? {} : { unit }),
    compile: ({ operator, value, to }) => {
      const range = rangeOf(operator, value, to, 1);
      const fits = (amount: number | undefined | readonly number[]): boolean => {
        if (typeof amount === 'number') return isInRange(range, amount);
        return amount !== undefined && amount.some((one) => isInRange(range, one));
      };
      const holds = (facts: Facts) => fits(of(facts));
      return measure ? { holds, looksAt: [{ measure: { kind: measure }, edges: edgesOf(range) }] } : plainLeaf(holds);
    },
    readOut: ({ operator, value, to }, reader) =>
      `${called} ${compared(operator, value, to, (amount) => (write ? write(amount, reader) : `${amount}${said}`))}`,
    begin: () => ({ kind: 'number', fact: id, operator: 'atLeast', value: usual }),
  };
}
