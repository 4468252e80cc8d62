import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';

/** Names of the arguments that a text mentions, in its branches too. */
export function argumentsIn(elements: readonly MessageFormatElement[], into = new Set<string>()): Set<string> {
  for (const element of elements) {
    if (element.type === TYPE.literal || element.type === TYPE.pound || element.type === TYPE.tag) continue;
    into.add(element.value);
    if (element.type === TYPE.plural || element.type === TYPE.select)
      for (const { value } of Object.values(element.options)) argumentsIn(value, into);
  }
  return into;
}

/** The same of a text; none where it cannot be read. */
export function usedArguments(text: string): ReadonlySet<string> {
  try {
    return argumentsIn(parse(text, { ignoreTag: true, requiresOtherClause: false }));
  } catch {
    return new Set();
  }
}
