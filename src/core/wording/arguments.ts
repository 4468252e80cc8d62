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
} as const satisfies Record<keyof MessageArguments, { kind: 'money' | 'number'; means: string }>;

export type WordingArgument = keyof typeof wordingArguments;
export const wordingArgumentNames = Object.keys(wordingArguments) as WordingArgument[];

/** Arguments without which a text in that state does not do its work. */
export const neededArguments: Record<MessageState, WordingArgument[]> = { progress: ['remaining'], reached: [] };

/** Values as a text receives them: amounts written in the market's currency and the text's language. */
export function formattedArguments(values: MessageArguments, currency: string, language: string): Record<WordingArgument, string | number> {
  const money = (minor: number) => formatMoney(minor, currency, language);
  return {
    remaining: money(values.remaining),
    goal: money(values.goal),
    counted: money(values.counted),
    percent: values.percent,
    items: values.items,
    optionPrice: money(values.optionPrice ?? 0),
  };
}
