import { IntlMessageFormat } from 'intl-messageformat';
import type { Evaluation, LeadMessage } from '../evaluation/evaluation.ts';
import type { CompiledPolicy } from '../evaluation/compile.ts';
import { formattedArguments } from './arguments.ts';
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
    format = new IntlMessageFormat(text, language, undefined, { ignoreTag: true });
  } catch {
    format = null;
  }
  parsed.set(key, format);
  return format;
}

/** Fills an ICU text; null when it is faulty, in which case the shopper sees nothing rather than a wrong sentence. */
export function renderText(text: string, language: string, values: Record<string, string | number>): string | null {
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
}

/** What the shopper reads in a place; null when nothing is said there. */
export function renderLead(compiled: CompiledPolicy, evaluation: Evaluation, place: Place, language: string): RenderedMessage | null {
  const { lead, marketId, currency } = evaluation;
  const market = marketId ? compiled.markets.get(marketId) : undefined;
  if (!lead || !market || !currency) return null;
  return renderMessage(compiled, lead, market.market.languages, currency, place, language);
}

/** A given message in a place and language. */
export function renderMessage(
  compiled: CompiledPolicy,
  lead: LeadMessage,
  marketLanguages: readonly string[],
  currency: string,
  place: Place,
  language: string,
): RenderedMessage | null {
  const found = findText(compiled.policy, lead.offerId, lead.state, place, language, marketLanguages);
  if (!found) return null;
  const text = renderText(found.text, found.language, formattedArguments(lead.arguments, currency, found.language));
  return text === null ? null : { place, text, found };
}
