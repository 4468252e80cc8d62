import { formattedArguments } from './arguments.ts';
import type { FoundText } from './find-text.ts';
import { renderText } from './render.ts';
import type { TextSample } from './samples.ts';

/** A text filled with a sample, in the sample's currency and on its market's clock; null when it cannot be filled. */
export function sampleText(
  { text, language }: FoundText,
  { values, market: { market, terms } }: TextSample,
): string | null {
  return renderText(
    text,
    language,
    formattedArguments(values, { currency: market.currency, timeZone: terms.clocks.market }, language),
  );
}
