import { IntlMessageFormat, type Formatters } from 'intl-messageformat';
import type { Evaluation, LeadMessage } from '../evaluation/evaluation.ts';
import type { CompiledMarket, CompiledPolicy } from '../evaluation/compile.ts';
import { formattedArguments, type TextSetting } from './arguments.ts';
import { formattersOf } from './formatters.ts';
import { saysFree } from './free-words.ts';
import { findText, type FoundText } from './find-text.ts';
import type { Place } from './places.ts';

type Values = Readonly<Record<string, string | number>>;
/** A text that has been read. @throws where a value is missing */
type Fill = (values: Values) => string;

/** What texts of a language are read with, and those that have been read; null: it cannot be read. */
interface InLanguage {
  formatters: Formatters;
  texts: Map<string, Fill | null>;
}
const languages = new Map<string, InLanguage>();
/** Texts that have been read, of all languages, and as many as are kept. */
let textsRead = 0;
const mostTexts = 2000;

function reading(text: string, language: string): Fill | null {
  const read = languages.get(language)?.texts.get(text);
  if (read !== undefined) return read;
  if (textsRead >= mostTexts) {
    languages.clear();
    textsRead = 0;
  }
  let inLanguage = languages.get(language);
  if (!inLanguage) languages.set(language, (inLanguage = { formatters: formattersOf(language), texts: new Map() }));
  const fill = readText(text, language, inLanguage.formatters);
  inLanguage.texts.set(text, fill);
  textsRead++;
  return fill;
}

function readText(text: string, language: string, formatters: Formatters): Fill | null {
  try {
    // Tags stay plain characters: shopper text is never markup.
    const format = new IntlMessageFormat(text, language, undefined, { ignoreTag: true, formatters });
    return joined(format.getAst() as TextPart[]) ?? ((values) => String(format.format(values)));
  } catch {
    return null;
  }
}

/** Of what the library reads a text into: its first two kinds, as it numbers them, are plain words and the name of a value. */
interface TextPart {
  type: number;
  value: string;
}
const [words, nameOfValue] = [0, 1];

/** Most texts are words and values, which are joined here: the library makes an object of each part first. Null: there is more in it. */
function joined(parts: readonly TextPart[]): Fill | null {
  if (parts.some(({ type }) => type !== words && type !== nameOfValue)) return null;
  return (values) => {
    let text = '';
    for (const { type, value } of parts) text += type === words ? value : given(values[value], value);
    return text;
  };
}

/** @throws where it is missing, or something that every object has */
function given(value: unknown, name: string): string | number {
  if (typeof value === 'string' || typeof value === 'number') return value;
  throw new Error(`there is no ${name}`);
}

/** Fills an ICU text; null when it is faulty, in which case the shopper sees nothing rather than a wrong sentence. */
export function renderText(text: string, language: string, values: Values): string | null {
  try {
    return reading(text, language)?.(values) ?? null;
  } catch {
    return null;
  }
}

export interface RenderedMessage {
  place: Place;
  text: string;
  found: FoundText;
  message: LeadMessage;
}

/** What the shopper reads in a place: of whoever may speak, the first that has a text there; null when nothing is said. */
export const renderLead = (
  compiled: CompiledPolicy,
  evaluation: Pick<Evaluation, 'speakers' | 'marketId'>,
  place: Place,
  language: string,
): RenderedMessage | null => renderPlaces(compiled, evaluation, [place], language)[0] ?? null;

/** The same in several places, of which those where nothing is said are left out. */
export function renderPlaces(
  compiled: CompiledPolicy,
  { speakers, marketId }: Pick<Evaluation, 'speakers' | 'marketId'>,
  places: readonly Place[],
  language: string,
): RenderedMessage[] {
  const market = marketId ? compiled.markets.get(marketId) : undefined;
  if (!market) return [];
  const filled: FilledText[] = [];
  const read = { compiled, market, language, filled };
  return places.flatMap((place) => {
    for (const message of speakers) {
      const rendered = renderMessage(read, message, place);
      if (rendered) return [rendered];
    }
    return [];
  });
}

/** What messages are read with: places share most of their texts, so that those that have been filled are kept meanwhile. */
interface Reading {
  compiled: CompiledPolicy;
  market: Pick<CompiledMarket, 'market' | 'terms'>;
  language: string;
  filled: FilledText[];
}

/** @see filledText */
interface FilledText {
  message: LeadMessage;
  text: string;
  language: string;
  read: string | null;
}

/**
 * A given message in a place and language; null where the shop shows none, none is written that can be filled, or the one
 * that is written says free where nothing would be.
 */
function renderMessage(
  { compiled: { policy }, market: { market, terms }, language, filled }: Reading,
  message: LeadMessage,
  place: Place,
): RenderedMessage | null {
  if (policy.look?.silentIn?.[place]) return null;
  const { speakerId, state } = message;
  const found = findText(policy, { speakerId, state, place, language }, market.languages);
  if (!found) return null;
  let known = filled.find(
    (one) => one.message === message && one.text === found.text && one.language === found.language,
  );
  if (!known)
    filled.push((known = filledText(message, found, { currency: market.currency, timeZone: terms.clocks.market })));
  return known.read === null ? null : { place, text: known.read, found, message };
}

/** A text filled for a message; `read` is null where it cannot be read. */
function filledText(message: LeadMessage, { text, language }: FoundText, setting: TextSetting): FilledText {
  const read = renderText(text, language, formattedArguments(message.arguments, setting, language));
  const silent = read === null || read.trim() === '' || (!message.free && saysFree(read, language));
  return { message, text, language, read: silent ? null : read };
}
