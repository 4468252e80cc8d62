import { Parser } from 'htmlparser2';

/** A page as it is read: its words, a line for each block, and the data that stand in it for machines. */
export interface VisiblePage {
  text: string;
  /** contents of its scripts of structured data (JSON-LD) */
  data: string[];
}

/** What no reader sees. */
const unseen = new Set([
  'script',
  'style',
  'template',
  'noscript',
  'head',
  'title',
  'svg',
  'iframe',
  'object',
  'select',
  'textarea',
]);
/** What stands within a line. */
const inline = new Set(
  'a abbr b bdi bdo cite code data del dfn em font i ins kbd label mark q s samp small span strong sub sup time tt u var wbr'.split(
    ' ',
  ),
);
const cells = new Set(['td', 'th']);

/** So deep are elements looked through: a page that goes deeper is not made for readers, and is read up to there. */
const deepest = 400;

/** The text of an HTML page, as far as readers see it without running scripts. Source: the HTML parser `htmlparser2`. */
export function visiblePage(html: string): VisiblePage {
  const page = new PageText();
  const parser = new Parser({
    onopentag: (name, attributes) => page.open(name, attributes),
    ontext: (text) => page.words(text),
    onclosetag: (name) => page.close(name),
  });
  try {
    parser.end(html);
  } catch (error) {
    if (!(error instanceof TooDeep)) throw error;
  }
  return page.read();
}

class TooDeep extends Error {}

class PageText {
  readonly #data: string[] = [];
  readonly #lines: string[] = [];
  /** the line that is being read */
  #line = '';
  #depth = 0;
  /** how deep the element stands that no reader sees; null: all is seen */
  #unseenAt: number | null = null;
  #inData = false;

  open(name: string, attributes: Record<string, string>): void {
    if (++this.#depth > deepest) throw new TooDeep();
    if (name === 'script' && attributes.type?.trim().toLowerCase() === 'application/ld+json') {
      this.#inData = true;
      this.#data.push('');
    }
    if (this.#unseenAt !== null) return;
    if (unseen.has(name) || attributes.hidden !== undefined) this.#unseenAt = this.#depth;
    else if (cells.has(name)) this.#line += this.#line === '' ? '' : ' | ';
    else this.#block(name);
  }

  words(text: string): void {
    if (this.#inData) this.#data[this.#data.length - 1] += text;
    if (this.#unseenAt !== null) return;
    const words = text.replace(/[ \t\r\n\f]+/g, ' ');
    this.#line += this.#line === '' || this.#line.endsWith(' ') ? words.replace(/^ /, '') : words;
  }

  close(name: string): void {
    if (name === 'script') this.#inData = false;
    if (this.#unseenAt === null) this.#block(name);
    else if (this.#depth === this.#unseenAt) this.#unseenAt = null;
    this.#depth--;
  }

  read(): VisiblePage {
    this.#breakLine();
    return { text: this.#lines.join('\n'), data: this.#data };
  }

  #block(name: string): void {
    if (!inline.has(name) && !cells.has(name)) this.#breakLine();
  }

  #breakLine(): void {
    const line = this.#line.trimEnd();
    if (line !== '') this.#lines.push(line);
    this.#line = '';
  }
}
