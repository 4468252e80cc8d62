import { formatMoney } from '../money/format.ts';
import type { MessageArguments, MessageState } from '../evaluation/evaluation.ts';

/** What wording may mention, in the order in which it is offered to the writer. */
export const wordingArguments = {
  remaining: { kind: 'money', means: 'what is still missing' },
  goal: { kind: 'money', means: 'the amount to reach' },
  counted: { kind: 'money', means: 'what counts so far' },
  percent: { kind: 'number', means: 'how far, in percent' },
  items: { kind: 'number', means: 'pieces in the cart' },
  optionPrice: { kind: 'money', means: 'lowest delivery price now' },
} as const satisfies Record<Exclude<keyof MessageArguments, 'measure'>, { kind: 'money' | 'number'; means: string }>;

export type WordingArgument = keyof typeof wordingArguments;
export const wordingArgumentNames = Object.keys(wordingArguments) as WordingArgument[];

/** Arguments without which a text in that state does not do its work. */
export const neededArguments: Record<MessageState, WordingArgument[]> = { invite: [], progress: ['remaining'], nearly: ['remaining'], reached: [], onward: ['remaining'], missedOut: [] };

/** Arguments that are amounts of what the goal counts: of money, or pieces, or grams. */
const ofTheGoal: readonly WordingArgument[] = ['remaining', 'goal', 'counted'];

/** What an argument is in an offer: amounts of a goal that counts pieces or grams are numbers. */
export function argumentKind(argument: WordingArgument, measure: MessageArguments['measure']): 'money' | 'number' {
  return measure !== 'value' && ofTheGoal.includes(argument) ? 'number' : wordingArguments[argument].kind;
}

/** Values as a text receives them: amounts written in the market's currency and the text's language. */
export function formattedArguments(values: MessageArguments, currency: string, language: string): Record<WordingArgument, string | number> {
  const write = (argument: WordingArgument, value: number) => (argumentKind(argument, values.measure) === 'money' ? formatMoney(value, currency, language) : value);
  return {
    remaining: write('remaining', values.remaining),
    goal: write('goal', values.goal),
    counted: write('counted', values.counted),
    percent: values.percent,
    items: values.items,
    optionPrice: write('optionPrice', values.optionPrice ?? 0),
  };
}
