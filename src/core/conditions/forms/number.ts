import type { CountMeasure } from '../../cart/charge-measure.ts';
import type { Facts } from '../asked.ts';
import { isInRange, rangeOf } from '../compare.ts';
import type { Fact, FactForm, FactWords, ToldByOrders } from '../fact.ts';
import { among, within } from '../asks.ts';
import { edgesOf, plainLeaf, type LeafOf } from '../leaf.ts';
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
  /** undefined where it is not known */
  of?: (facts: Facts) => number | undefined;
  /** in place of `of`, where there are several and one that fits is enough */
  some?: (facts: Facts, fits: (value: number) => boolean) => boolean;
  /** the measure of the cart that it is, or changes with */
  measure?: CountMeasure;
  usual: number;
  /** where it is not a plain number */
  write?: (value: number, reader: Reader) => string;
  told?: ToldByOrders;
}

/** A fact that is a number, compared with one. */
export function numberFact(id: Node['fact'], known: NumberFact): Fact<Node> {
  const { about, name, also, called, said = '', unit, of, some, measure, usual, write, told = 'never' } = known;
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
      const fits = (amount: number) => isInRange(range, amount);
      const holds = (facts: Facts): boolean => {
        if (some) return some(facts, fits);
        const amount = of?.(facts);
        return amount !== undefined && fits(amount);
      };
      return measure ? { holds, looksAt: [{ measure: { kind: measure }, edges: edgesOf(range) }] } : plainLeaf(holds);
    },
    // Of lines and categories, of which one that fits is enough, nothing follows from one range for another.
    ...(some
      ? {}
      : {
          asks: ({ operator, value, to }) => ({
            fact: id,
            values: within(rangeOf(operator, value, to, 1)),
            among: among(measure === undefined),
          }),
        }),
    readOut: ({ operator, value, to }, reader) =>
      `${called} ${compared(operator, value, to, (amount) => (write ? write(amount, reader) : `${amount}${said}`))}`,
    begin: () => ({ kind: 'number', fact: id, operator: 'atLeast', value: usual }),
  };
}
