import type { JudgedArm } from '../../../core/experiments/judge-experiment.ts';
import type { ExperimentState } from '../../../core/experiments/state.ts';
import type { Experiment } from '../../../core/policy/types.ts';
import type { FigureWords } from '../study/figure-words.ts';

export const stateInWords: Readonly<Record<ExperimentState, string>> = {
  decided: 'ended',
  endedItself: 'ended by itself',
  notReleased: 'waits for a release',
  begins: 'has not begun',
  triesNothing: 'tries nothing',
  waits: 'waits for another',
  goesOn: 'goes on',
  over: 'over, not decided',
};

export const measureInWords: Readonly<Record<Experiment['measure'], string>> = {
  orderValue: 'the value of an order',
  margin: 'what is left of an order: margin net of delivery',
};

/** How an arm stands to the first, in a sentence. @param names of both arms */
export function judgedInWords(
  { verdict, difference }: JudgedArm,
  { name, first, measure, words }: { name: string; first: string; measure: Experiment['measure']; words: FigureWords },
): { head: string; says: string } {
  const what = measure === 'orderValue' ? 'An order' : 'What is left of an order';
  const is = measure === 'orderValue' ? 'is worth' : 'is';
  if (!difference)
    return {
      head: 'Not enough orders to tell',
      says: `Fewer than a hundred orders came in with “${name}” or with “${first}”.`,
    };
  const write = (value: number) => `${words.value(measure, Math.abs(value))} ${value < 0 ? 'less' : 'more'}`;
  const { difference: found, low, high } = difference;
  const between =
    low < 0 === high < 0
      ? `between ${words.value(measure, Math.min(Math.abs(low), Math.abs(high)))} and ${write(Math.abs(low) > Math.abs(high) ? low : high)}`
      : `between ${write(low)} and ${write(high)}`;
  const heads = {
    more: 'Surely more',
    less: 'Surely less',
    alike: 'Surely no difference worth knowing',
    open: 'It cannot be told yet',
  };
  return {
    head: heads[verdict],
    says: `${what} with “${name}” ${is} ${write(found)} than with “${first}”: surely ${between}.`,
  };
}
