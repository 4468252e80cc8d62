import { formatMoney } from '../money/format.ts';
import type { MessageArguments } from '../evaluation/evaluation.ts';
import type { TextState } from '../offers/texts-written.ts';
import { arrivesInWords } from './arrives.ts';
import { timeLeft } from '../time/countdown.ts';
import { countdownInWords } from './look/countdown-words.ts';
import { deadlineInWords } from './deadline.ts';
import { shareInWords, type Given } from './outside/given.ts';

type ArgumentKind = 'money' | 'number' | 'text' | 'choice';

/** What wording may mention, in the order in which it is offered to the writer. */
export const wordingArguments = {
  remaining: { kind: 'money', means: 'what is still missing' },
  goal: { kind: 'money', means: 'the amount to reach' },
  counted: { kind: 'money', means: 'what counts so far' },
  percent: { kind: 'number', means: 'how far, in percent' },
  items: { kind: 'number', means: 'pieces in the cart' },
  optionPrice: { kind: 'money', means: 'lowest delivery price now' },
  reward: { kind: 'choice', means: 'what reaching it gives, to choose a text by' },
  deadline: { kind: 'text', means: 'the last minute of the offer, or of what a notice counts down to' },
  code: { kind: 'text', means: 'the code of the offer' },
  cutOff: { kind: 'text', means: 'the time that is left until what a notice counts down to' },
  arrives: { kind: 'text', means: 'the day by which it is there' },
  given: { kind: 'text', means: 'what reaching it gives, as an amount or a share' },
} as const satisfies Record<
  Exclude<keyof MessageArguments, 'measure' | 'countedFrom'> | 'cutOff' | 'given',
  { kind: ArgumentKind; means: string }
>;

export type WordingArgument = keyof typeof wordingArguments;
export const wordingArgumentNames = Object.keys(wordingArguments) as WordingArgument[];

/** Arguments without which a text in that state does not do its work. */
export const neededArguments: Record<TextState, WordingArgument[]> = {
  invite: [],
  progress: ['remaining'],
  nearly: ['remaining'],
  reached: [],
  onward: ['remaining'],
  missedOut: [],
  notice: [],
  newsletter: [],
  landingPage: [],
};

/** Arguments that only a notice has something for, and those that it may have. */
export const ofNotices: readonly WordingArgument[] = ['cutOff', 'arrives'];
export const noticeArguments: readonly WordingArgument[] = ['items', 'deadline', ...ofNotices];

/** Arguments that only a text for outside has something for, and those that it may have: no cart is known there. */
export const ofOutside: readonly WordingArgument[] = ['given'];
export const outsideArguments: readonly WordingArgument[] = ['goal', 'reward', 'deadline', 'code', ...ofOutside];

/** What a text is filled with. */
export interface TextValues extends MessageArguments {
  /** what the goal gives, as a figure; of a text for outside alone */
  given?: Given;
}

/** Arguments that are amounts of what the goal counts: of money, or pieces, or grams. */
const ofTheGoal: readonly WordingArgument[] = ['remaining', 'goal', 'counted'];

/** What an argument is in an offer: amounts of a goal that counts pieces or grams are numbers. */
export function argumentKind(argument: WordingArgument, measure: MessageArguments['measure']): ArgumentKind {
  return measure !== 'value' && ofTheGoal.includes(argument) ? 'number' : wordingArguments[argument].kind;
}

/** In which currency and on which clock a text speaks. */
export interface TextSetting {
  currency: string;
  /** IANA */
  timeZone: string;
}

/** Values as a text receives them. */
export type FormattedArguments = Partial<Record<WordingArgument, string | number>>;

/**
 * Values as a text receives them: amounts written in the market's currency and the text's language, the deadline on the
 * shopper's clock. Each is written when the text asks for it, since most texts ask for few. What an offer has none of is left
 * out, so that a text that needs it is not shown half.
 */
export function formattedArguments(values: TextValues, setting: TextSetting, language: string): FormattedArguments {
  const { currency, timeZone } = setting;
  const { deadline, code, countedFrom, arrives, given } = values;
  const written: FormattedArguments = new Written(values, setting, language);
  if (code !== null) written.code = code;
  if (deadline !== null) whenRead(written, 'deadline', () => deadlineInWords(deadline, timeZone, language));
  const left = countedFrom === null || deadline === null ? null : timeLeft(countedFrom, deadline, timeZone);
  if (left !== null) whenRead(written, 'cutOff', () => countdownInWords(left, language));
  if (arrives !== null) whenRead(written, 'arrives', () => arrivesInWords(arrives, timeZone, language));
  if (given)
    whenRead(written, 'given', () =>
      'amount' in given ? formatMoney(given.amount, currency, language) : shareInWords(given.percent, language),
    );
  return written;
}

/** What only some have is there only where they have it. */
function whenRead(written: FormattedArguments, argument: WordingArgument, write: () => string): void {
  Object.defineProperty(written, argument, { get: write });
}

/** What every offer has, each written when it is read: as a class, as objects with getters of their own take long to be made. */
class Written {
  readonly #values: TextValues;
  readonly #currency: string;
  readonly #language: string;
  constructor(values: TextValues, { currency }: TextSetting, language: string) {
    this.#values = values;
    this.#currency = currency;
    this.#language = language;
  }
  get remaining(): string | number {
    return this.#write('remaining', this.#values.remaining);
  }
  get goal(): string | number {
    return this.#write('goal', this.#values.goal);
  }
  get counted(): string | number {
    return this.#write('counted', this.#values.counted);
  }
  get optionPrice(): string | number {
    return this.#write('optionPrice', this.#values.optionPrice ?? 0);
  }
  get percent(): number {
    return this.#values.percent;
  }
  get items(): number {
    return this.#values.items;
  }
  get reward(): string {
    return this.#values.reward;
  }
  #write(argument: WordingArgument, value: number): string | number {
    return argumentKind(argument, this.#values.measure) === 'money'
      ? formatMoney(value, this.#currency, this.#language)
      : value;
  }
}
