/** A text cut where arguments stand by themselves, so that a translator's program can protect them. */
export type TextPart = { text: string } | { argument: string };

const simpleArgument = /\{[A-Za-z]+\}/y;

/**
 * Cuts an ICU text at its arguments. Only those outside plurals and selects are cut out, and nothing when quotes make braces
 * plain: what is inside belongs to the text that a translator writes. The parts put together are the text again.
 */
export function textParts(text: string): TextPart[] {
  if (text.includes("'{") || text.includes("'}")) return [{ text }];
  const parts: TextPart[] = [];
  let from = 0;
  let depth = 0;
  for (let at = 0; at < text.length; at++) {
    if (text[at] === '{' && depth === 0) {
      simpleArgument.lastIndex = at;
      const found = simpleArgument.exec(text)?.[0];
      if (found) {
        if (at > from) parts.push({ text: text.slice(from, at) });
        parts.push({ argument: found });
        from = at + found.length;
        at = from - 1;
        continue;
      }
    }
    if (text[at] === '{') depth++;
    else if (text[at] === '}') depth = Math.max(0, depth - 1);
  }
  if (from < text.length) parts.push({ text: text.slice(from) });
  return parts;
}
