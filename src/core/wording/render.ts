import { IntlMessageFormat, type Formatters } from 'intl-messageformat';
import type { Evaluation, LeadMessage } from '../evaluation/evaluation.ts';
import type { CompiledMarket, CompiledPolicy } from '../evaluation/compile.ts';
import { formattedArguments, type TextSetting } from './arguments.ts';
import { formattersOf } from './formatters.ts';
import { saysFree } from './free-words.ts';
import { findText, type FoundText } from './find-text.ts';
import type { Place } from './places.ts';

const parsed = new Map<string, IntlMessageFormat | null>();
const maxParsed = 2000;

function messageFormat(text: string, language: string): IntlMessageFormat | null {
  const key = `${language}\u0000${text}`;
  const known = parsed.get(key);
  if (known !== undefined) return known;
  if (parsed.size >= maxParsed) parsed.clear();
  let format: IntlMessageFormat | null;
  try {
    // Tags stay plain characters: shopper text is never markup.
    format = new IntlMessageFormat(text, language, undefined, { ignoreTag: true, formatters: formattersFor(language) });
  } catch {
    format = null;
  }
  parsed.set(key, format);
  return format;
}

const formatters = new Map<string, Formatters>();
const maxFormatters = 200;

function formattersFor(language: string): Formatters {
  let known = formatters.get(language);
  if (known) return known;
  if (formatters.size >= maxFormatters) formatters.clear();
  formatters.set(language, (known = formattersOf(language)));
  return known;
}

/** Fills an ICU text; null when it is faulty, in which case the shopper sees nothing rather than a wrong sentence. */
export function renderText(
  text: string,
  language: string,
  values: Readonly<Record<string, string | number>>,
): string | null {
  try {
    const result = messageFormat(text, language)?.format(values);
    return result === undefined ? null : String(result);
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
export function renderLead(
  compiled: CompiledPolicy,
  { speakers, marketId }: Pick<Evaluation, 'speakers' | 'marketId'>,
  place: Place,
  language: string,
): RenderedMessage | null {
  const market = marketId ? compiled.markets.get(marketId) : undefined;
  if (!market) return null;
  for (const message of speakers) {
    const rendered = renderMessage(compiled, message, market, place, language);
    if (rendered) return rendered;
  }
  return null;
}

/**
 * A given message in a place and language; null where the shop shows none, none is written that can be filled, or the one
 * that is written says free where nothing would be.
 */
function renderMessage(
  { policy }: CompiledPolicy,
  message: LeadMessage,
  { market, terms }: Pick<CompiledMarket, 'market' | 'terms'>,
  place: Place,
  language: string,
): RenderedMessage | null {
  if (policy.look?.silentIn?.[place]) return null;
  const found = findText(
    policy,
    { speakerId: message.speakerId, state: message.state, place, language },
    market.languages,
  );
  if (!found) return null;
  const text = filled(message, found, { currency: market.currency, timeZone: terms.clocks.market });
  return text === null ? null : { place, text, found, message };
}

const filledKnown = new WeakMap<LeadMessage, Map<string, string | null>>();

/** A text filled for a message, once for all places that share it; null where it cannot be read. */
function filled(message: LeadMessage, { text, language }: FoundText, setting: TextSetting): string | null {
  let known = filledKnown.get(message);
  if (!known) filledKnown.set(message, (known = new Map()));
  const key = `${language}\u0000${setting.currency}\u0000${setting.timeZone}\u0000${text}`;
  let found = known.get(key);
  if (found === undefined) {
    const read = renderText(text, language, formattedArguments(message.arguments, setting, language));
    found = read === null || read.trim() === '' || (!message.free && saysFree(read, language)) ? null : read;
    known.set(key, found);
  }
  return found;
}
