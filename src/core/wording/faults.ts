import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import type { MessageArguments, MessageState } from '../evaluation/evaluation.ts';
import { argumentKind, formattedArguments, neededArguments, wordingArguments, type WordingArgument } from './arguments.ts';
import { places, type Place } from './places.ts';
import { pluralCategories } from './plural-categories.ts';
import { renderText } from './render.ts';

/** Something to mend in a text; `at` is the offset and length to mark, when it is one spot. */
export interface WordingFault {
  severity: 'wrong' | 'risky';
  message: string;
  at: { offset: number; length: number } | null;
}

/** Values that make a text long, to judge its length: minor units of a typical currency. */
const longValues: Omit<MessageArguments, 'measure'> = { remaining: 123456, goal: 123456, counted: 123456, percent: 99, items: 99, optionPrice: 12345 };

/**
 * Checks one text in one language and state (2-domain §8): syntax, unknown and missing arguments, plural categories
 * that CLDR asks for in that language, length in the places where it is shown.
 *
 * @param measure what the offer's goal counts
 */
export function wordingFaults(text: string, language: string, state: MessageState, shownIn: readonly Place[], currency: string, measure: MessageArguments['measure'] = 'value'): WordingFault[] {
  if (text.trim() === '') return [];
  let elements: MessageFormatElement[];
  try {
    elements = parse(text, { ignoreTag: true, captureLocation: true, requiresOtherClause: false });
  } catch (error) {
    const location = (error as { location?: { start: { offset: number }; end: { offset: number } } }).location;
    const offset = Math.min(location?.start.offset ?? 0, text.length);
    return [
      {
        severity: 'wrong',
        message: `This text cannot be read: ${syntaxMistake(error)}. Shoppers see nothing until it is mended.`,
        at: { offset, length: Math.max(1, (location?.end.offset ?? text.length) - offset) },
      },
    ];
  }
  const faults: WordingFault[] = [];
  const used = new Set<string>();
  inspect(elements, language, measure, used, faults);
  for (const needed of neededArguments[state]) {
    if (!used.has(needed)) {
      faults.push({ severity: 'wrong', message: `It does not say {${needed}}, ${wordingArguments[needed].means}.`, at: null });
    }
  }
  if (faults.every((fault) => fault.severity !== 'wrong')) faults.push(...tooLong(text, language, shownIn, currency, measure));
  return faults;
}

function inspect(elements: readonly MessageFormatElement[], language: string, measure: MessageArguments['measure'], used: Set<string>, faults: WordingFault[]): void {
  for (const element of elements) {
    if (element.type === TYPE.literal || element.type === TYPE.pound || element.type === TYPE.tag) continue;
    used.add(element.value);
    const start = element.location?.start.offset ?? 0;
    const at = { offset: start, length: (element.location?.end.offset ?? start + 1) - start };
    const argument = wordingArguments[element.value as WordingArgument];
    if (!argument) {
      faults.push({ severity: 'wrong', message: `There is no argument {${element.value}}. Known are ${knownArguments()}.`, at });
    } else if (argumentKind(element.value as WordingArgument, measure) === 'money' && element.type !== TYPE.argument) {
      faults.push({ severity: 'wrong', message: `{${element.value}} is an amount and is written out with its currency; use it as {${element.value}}.`, at });
    }
    if (element.type === TYPE.plural || element.type === TYPE.select) {
      if (!('other' in element.options)) faults.push({ severity: 'wrong', message: `{${element.value}} needs a branch “other”.`, at });
      if (element.type === TYPE.plural) {
        const missing = pluralCategories(language, element.pluralType === 'ordinal').filter((category) => !(category in element.options) && category !== 'other');
        if (missing.length > 0) faults.push({ severity: 'risky', message: `The plural of {${element.value}} lacks ${missing.join(', ')}, which ${language} needs.`, at });
      }
      for (const option of Object.values(element.options)) inspect(option.value, language, measure, used, faults);
    }
  }
}

function tooLong(text: string, language: string, shownIn: readonly Place[], currency: string, measure: MessageArguments['measure']): WordingFault[] {
  const shown = renderText(text, language, formattedArguments({ ...longValues, measure }, currency, language));
  const length = [...(shown ?? '')].length;
  return shownIn
    .filter((place) => length > places[place].maxLength)
    .map((place) => ({ severity: 'risky', message: `Up to ${length} characters, but the ${places[place].name} shows at most ${places[place].maxLength}.`, at: null }));
}

function knownArguments(): string {
  return Object.keys(wordingArguments).map((name) => `{${name}}`).join(', ');
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
