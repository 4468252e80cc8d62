/** HTML that is safe to be put into a page. */
export class Html {
  constructor(readonly text: string) {}
}

type Part = Html | string | number | null | undefined | false | readonly Part[];

const entities: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' };
const escaped = (text: string): string => text.replace(/[&<>"']/g, (letter) => entities[letter]!);

function written(part: Part): string {
  if (part instanceof Html) return part.text;
  if (Array.isArray(part)) return part.map(written).join('');
  return part === null || part === undefined || part === false ? '' : escaped(String(part as string | number));
}

/** What is put in is text, unless it is HTML already. */
export const html = (texts: TemplateStringsArray, ...parts: Part[]): Html =>
  new Html(texts.map((text, index) => text + written(parts[index])).join(''));

/** JSON in a page, of which nothing ends the element that it stands in. */
export const jsonIn = (value: unknown): Html => new Html(JSON.stringify(value).replaceAll('<', '\\u003c'));
