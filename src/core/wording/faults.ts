import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import type { MessageArguments } from '../evaluation/evaluation.ts';
import type { TextState } from '../offers/texts-written.ts';
import {
  argumentKind,
  formattedArguments,
  neededArguments,
  outsideArguments,
  wordingArguments,
  type TextSetting,
  type TextValues,
  type WordingArgument,
} from './arguments.ts';
import { places, type Place } from './places.ts';
import { pluralCategories } from './languages/plural-categories.ts';
import { renderText } from './render.ts';
import { saysFree } from './free-words.ts';
import { isOutside } from './outside/outside-states.ts';
import { argumentsIn } from './used-arguments.ts';
import { rewardCalled, rewardBranches, type RewardKind } from '../offers/reward-kinds.ts';

/** Something to mend in a text; `at` is the offset and length to mark, when it is one spot. */
export interface WordingFault {
  severity: 'wrong' | 'risky';
  /** shoppers cannot be shown the text as it is */
  breaks: boolean;
  message: string;
  at: { offset: number; length: number } | null;
}

/** Values that make a text long, to judge its length: minor units of a typical currency. */
const longValues: Omit<TextValues, 'measure'> = {
  remaining: 123456,
  goal: 123456,
  counted: 123456,
  percent: 99,
  items: 99,
  optionPrice: 12345,
  reward: 'deliveryLessPercent',
  deadline: Date.UTC(2026, 8, 23, 23),
  code: 'WWWWWWWW',
  countedFrom: Date.UTC(2026, 8, 22, 0, 1),
  arrives: { unit: 'workingDays', min: 1, max: 1, leaves: '2026-09-23', earliest: '2026-09-23', latest: '2026-09-23' },
  given: { amount: 12345 },
};

/** So many at most are remembered: settings of some markets, in some languages. */
const mostRemembered = 500;
const longKnown = new Map<string, ReturnType<typeof formattedArguments>>();

/** The long values as a language writes them, written once. */
function longArguments(
  values: Pick<TextValues, 'measure' | 'reward'>,
  { currency, timeZone }: TextSetting,
  language: string,
): ReturnType<typeof formattedArguments> {
  const key = JSON.stringify([values.measure, values.reward, currency, timeZone, language]);
  let written = longKnown.get(key);
  if (!written) {
    if (longKnown.size >= mostRemembered) longKnown.clear();
    written = formattedArguments({ ...longValues, ...values }, { currency, timeZone }, language);
    longKnown.set(key, written);
  }
  return written;
}

/** Where and of what a text speaks. */
export interface TextSituation {
  language: string;
  state: TextState;
  /** places in which it is shown, for their limits of length */
  shownIn: readonly Place[];
  setting: TextSetting;
  /** what the offer's goal counts */
  measure: MessageArguments['measure'];
  /** arguments that the offer has nothing for */
  without: readonly WordingArgument[];
  /** what the goals give that the text is read for, a list of kinds each; empty: not judged */
  rewards: readonly (readonly RewardKind[])[];
}

/**
 * Checks one text in one language and state (2-domain §8): syntax, unknown and missing arguments, plural categories
 * that CLDR asks for in that language, length in the places where it is shown.
 */
export function wordingFaults(text: string, situation: TextSituation): WordingFault[] {
  if (text.trim() === '') return [];
  const { state } = situation;
  let elements: MessageFormatElement[];
  try {
    elements = parse(text, { ignoreTag: true, captureLocation: true, requiresOtherClause: false });
  } catch (error) {
    const location = (error as { location?: { start: { offset: number }; end: { offset: number } } }).location;
    const offset = Math.min(location?.start.offset ?? 0, text.length);
    return [
      {
        severity: 'wrong',
        breaks: true,
        message: `This text cannot be read: ${syntaxMistake(error)}.`,
        at: { offset, length: Math.max(1, (location?.end.offset ?? text.length) - offset) },
      },
    ];
  }
  const faults: WordingFault[] = [];
  const used = argumentsIn(elements);
  inspect(elements, situation, faults);
  for (const needed of neededArguments[state]) {
    if (!used.has(needed))
      faults.push({
        severity: 'wrong',
        breaks: false,
        message: `It does not say {${needed}}, ${wordingArguments[needed].means}.`,
        at: null,
      });
  }
  if (faults.every((fault) => fault.severity !== 'wrong'))
    faults.push(...tooLong(text, situation), ...otherRewards(text, used.has('reward'), situation));
  return faults;
}

function inspect(elements: readonly MessageFormatElement[], situation: TextSituation, faults: WordingFault[]): void {
  for (const element of elements) {
    if (element.type === TYPE.literal || element.type === TYPE.pound || element.type === TYPE.tag) continue;
    const start = element.location?.start.offset ?? 0;
    const at = { offset: start, length: (element.location?.end.offset ?? start + 1) - start };
    const mistake = mistakeOf(element, situation);
    if (mistake) faults.push({ severity: 'wrong', breaks: true, message: mistake, at });
    if (element.type !== TYPE.plural && element.type !== TYPE.select) continue;
    if (!('other' in element.options))
      faults.push({ severity: 'wrong', breaks: true, message: `{${element.value}} needs a branch “other”.`, at });
    if (element.type === TYPE.plural) {
      const missing = pluralCategories(situation.language, element.pluralType === 'ordinal').filter(
        (category) => !(category in element.options) && category !== 'other',
      );
      if (missing.length > 0)
        faults.push({
          severity: 'risky',
          breaks: false,
          message: `The plural of {${element.value}} lacks ${missing.join(', ')}, which ${situation.language} needs.`,
          at,
        });
    } else if (element.value === 'reward') {
      const strange = Object.keys(element.options).filter(
        (branch) => branch !== 'other' && !(rewardBranches() as readonly string[]).includes(branch),
      );
      if (strange.length > 0)
        faults.push({
          severity: 'risky',
          breaks: false,
          message: `{reward} is never ${strange.join(', ')}; it can be ${rewardBranches().join(', ')}.`,
          at,
        });
    }
    for (const option of Object.values(element.options)) inspect(option.value, situation, faults);
  }
}

/** What is wrong with an argument as it is used, if something is. */
function mistakeOf(
  element: Exclude<MessageFormatElement, { type: TYPE.literal | TYPE.pound | TYPE.tag }>,
  { state, measure, without }: TextSituation,
): string | null {
  const name = element.value;
  if (!Object.hasOwn(wordingArguments, name)) return `There is no argument {${name}}. Known are ${knownArguments()}.`;
  const argument = name as WordingArgument;
  const kind = argumentKind(argument, measure);
  if (without.includes(argument)) return whyNothing(argument, state);
  if (kind === 'money' && element.type !== TYPE.argument)
    return `{${name}} is an amount and is written out with its currency; use it as {${name}}.`;
  if (kind === 'text' && element.type !== TYPE.argument)
    return `{${name}} is written out already; use it as {${name}}.`;
  if (kind === 'choice' && element.type !== TYPE.select)
    return `{${name}} chooses between texts; use it as {${name}, select, deliveryFree {…} other {…}}.`;
  if (kind === 'number' && (element.type === TYPE.date || element.type === TYPE.time))
    return `{${name}} is a number, not a date.`;
  return null;
}

/** Why there is nothing for an argument in a text of a state. */
function whyNothing(argument: WordingArgument, state: TextState): string {
  if (!isOutside(state)) return whyWithout[argument] ?? `A notice has no goal, so there is no {${argument}}.`;
  if (!outsideArguments.includes(argument)) return `Outside the shop there is no cart, so there is no {${argument}}.`;
  return outsideWithout[argument] ?? whyWithout[argument]!;
}

const outsideWithout: Readonly<Partial<Record<WordingArgument, string>>> = {
  goal: 'No amount is asked for, so there is no {goal}.',
  given: 'What is given is no amount and no share, so there is no {given}.',
};

const whyWithout: Readonly<Partial<Record<WordingArgument, string>>> = {
  deadline: 'It has no end, so there is no {deadline}.',
  code: 'There is no code of its own, so there is no {code}.',
  cutOff: 'Nothing is counted down to, so there is no {cutOff}.',
  arrives: 'No option’s cut-off is counted down to, so there is no {arrives}.',
  given: 'Only a text for outside the shop says {given}.',
};

/** Where a text says free but what it is read for is not, and where it is read for goals that give different things and does not tell them apart. */
function otherRewards(
  text: string,
  choosesByReward: boolean,
  { language, setting, measure, rewards }: TextSituation,
): WordingFault[] {
  const wrong = new Set<string>();
  for (const kinds of rewards) {
    const shown =
      renderText(text, language, longArguments({ measure, reward: kinds[0] ?? 'none' }, setting, language)) ?? '';
    if (saysFree(shown, language) && !kinds.some((kind) => kind === 'deliveryFree' || kind === 'gift'))
      wrong.add(kinds.map(rewardCalled).join(' and '));
  }
  const at = null;
  if (wrong.size > 0)
    return [
      {
        severity: 'wrong',
        breaks: false,
        message: `It says that something is free, but the offer gives ${[...wrong].join(', or ')}: shoppers do not read it then.`,
        at,
      },
    ];
  const different = new Set(rewards.map((kinds) => kinds.join()));
  if (different.size < 2 || choosesByReward) return [];
  return [
    {
      severity: 'risky',
      breaks: false,
      message: 'It is read for goals that give different things; {reward, select, …} tells them apart.',
      at,
    },
  ];
}

function tooLong(text: string, { language, shownIn, setting, measure }: TextSituation): WordingFault[] {
  const shown = renderText(text, language, longArguments({ measure, reward: longValues.reward }, setting, language));
  const length = [...(shown ?? '')].length;
  return shownIn
    .filter((place) => length > places[place].maxLength)
    .map((place) => ({
      severity: 'risky',
      breaks: false,
      message: `Up to ${length} characters, but the ${places[place].name} shows at most ${places[place].maxLength}.`,
      at: null,
    }));
}

/**
 * Whether shoppers can be shown a text: it can be read and asks for nothing that is not there, whatever the offer's goal
 * counts and whether or not it has an end. What it cannot be shown for is said by `wordingFaults`.
 */
export function canBeShown(text: string): boolean {
  const situation: TextSituation = {
    language: 'en',
    state: 'reached',
    shownIn: [],
    setting: { currency: 'EUR', timeZone: 'UTC' },
    measure: 'items',
    without: [],
    rewards: [],
  };
  return wordingFaults(text, situation).every(({ breaks }) => !breaks);
}

function knownArguments(): string {
  return Object.keys(wordingArguments)
    .map((name) => `{${name}}`)
    .join(', ');
}

function syntaxMistake(error: unknown): string {
  const name = error instanceof Error ? error.message : '';
  const known: Record<string, string> = {
    EXPECT_ARGUMENT_CLOSING_BRACE: 'a closing } is missing',
    UNCLOSED_ARGUMENT_BRACE: 'a closing } is missing',
    EMPTY_ARGUMENT: 'there is nothing between { and }',
    MALFORMED_ARGUMENT: 'what stands between { and } is not a name',
    UNMATCHED_CLOSING_TAG: 'a closing tag has no opening one',
    EXPECT_PLURAL_ARGUMENT_SELECTOR: 'the plural has no branches',
    EXPECT_PLURAL_ARGUMENT_SELECTOR_FRAGMENT: 'a plural branch has no text in { }',
    INVALID_ARGUMENT_TYPE: 'the kind after the comma is not known',
  };
  return known[name] ?? `near a { or } something is missing (${name.toLowerCase().replaceAll('_', ' ')})`;
}
