import { inOrder } from '../../ordered.ts';
import { speaksInMarket } from '../text-speaker.ts';
import type { Market, Policy } from '../../policy/types.ts';

/** The language in which the store's texts are written first, which translations are made from. */
export function sourceLanguageOf(policy: Policy): string {
  return policy.store.sourceLanguage ?? inOrder(policy.markets)[0]?.[1].languages[0] ?? 'en-GB';
}

/** The source language, then all markets' languages in the order of markets, each once. */
export function allLanguages(policy: Policy): string[] {
  return [...new Set([sourceLanguageOf(policy), ...inOrder(policy.markets).flatMap(([, { languages }]) => languages)])];
}

const reading = new WeakMap<Policy['markets'], Map<string, Market>>();

/** The first market whose shoppers read a language. */
export function marketReading({ markets }: Policy, language: string): Market | undefined {
  let known = reading.get(markets);
  if (!known) {
    known = new Map();
    for (const [, market] of inOrder(markets))
      for (const tag of market.languages) if (!known.has(tag)) known.set(tag, market);
    reading.set(markets, known);
  }
  return known.get(language);
}

/** Languages of the markets in which an offer holds, or that a notice is for. */
export function languagesOf(policy: Policy, speakerId: string): Set<string> {
  const found = new Set<string>();
  for (const [id, { languages }] of Object.entries(policy.markets)) {
    if (speaksInMarket(policy, speakerId, id)) for (const language of languages) found.add(language);
  }
  return found;
}

/** Which way a language is written. Source: CLDR’s script metadata through Intl, by the language's likely script. */
export function directionOf(language: string): 'ltr' | 'rtl' {
  const { script } = new Intl.Locale(language).maximize();
  return rightToLeft.has(script ?? '') ? 'rtl' : 'ltr';
}

/** Scripts written from right to left (Unicode script property values; UAX #31’s table 5 and common practice). */
const rightToLeft = new Set(['Arab', 'Hebr', 'Thaa', 'Syrc', 'Nkoo', 'Adlm', 'Rohg', 'Samr', 'Mand']);
