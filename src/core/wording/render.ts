import { IntlMessageFormat } from 'intl-messageformat';
import type { Evaluation, LeadMessage } from '../evaluation/evaluation.ts';
import type { CompiledMarket, CompiledPolicy } from '../evaluation/compile.ts';
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
export function renderText(text: string, language: string, values: Readonly<Record<string, string | number>>): string | null {
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
  const { lead, marketId } = evaluation;
  const market = marketId ? compiled.markets.get(marketId) : undefined;
  return lead && market ? renderMessage(compiled, lead, market, place, language) : null;
}

/** A given message in a place and language; null where the shop shows none or none is written that can be filled. */
export function renderMessage({ policy }: CompiledPolicy, lead: LeadMessage, { market, terms }: Pick<CompiledMarket, 'market' | 'terms'>, place: Place, language: string): RenderedMessage | null {
  if (policy.look?.silentIn?.[place]) return null;
  const found = findText(policy, lead.offerId, lead.state, place, language, market.languages);
  if (!found) return null;
  const setting = { currency: market.currency, timeZone: terms.clocks.market };
  const text = renderText(found.text, found.language, formattedArguments(lead.arguments, setting, found.language));
  return text === null ? null : { place, text, found };
}
