import { parse, type DefaultTreeAdapterTypes } from 'parse5';

type Node = DefaultTreeAdapterTypes.Node;

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

/** So deep are elements looked through: a page that goes deeper is not made for readers. */
const deepest = 400;

/** The text of an HTML page, as far as readers see it without running scripts. Source: the HTML parser `parse5`. */
export function visiblePage(html: string): VisiblePage {
  const page = new PageText();
  page.read(parse(html), 0);
  return { text: page.text, data: page.data };
}

class PageText {
  readonly data: string[] = [];
  readonly #lines: string[] = [];
  /** the line that is being read */
  #line = '';

  get text(): string {
    this.#breakLine();
    return this.#lines.join('\n');
  }

  read(node: Node, depth: number): void {
    if ('value' in node && node.nodeName === '#text') this.#words(node.value);
    else if ('tagName' in node) this.#element(node, depth);
    else if ('childNodes' in node) this.#children(node, depth);
  }

  #words(value: string): void {
    const words = value.replace(/[ \t\r\n\f]+/g, ' ');
    this.#line += this.#line === '' || this.#line.endsWith(' ') ? words.replace(/^ /, '') : words;
  }

  #element(element: DefaultTreeAdapterTypes.Element, depth: number): void {
    const { tagName, attrs } = element;
    if (tagName === 'script' && attrs.some(isData)) this.data.push(rawText(element));
    // Data may stand in the head.
    if (tagName === 'head') element.childNodes.forEach((child) => this.#dataIn(child));
    if (unseen.has(tagName) || attrs.some(({ name }) => name === 'hidden')) return;
    if (cells.has(tagName)) {
      if (this.#line !== '') this.#line += ' | ';
      this.#children(element, depth);
      return;
    }
    const isBlock = !inline.has(tagName);
    if (isBlock) this.#breakLine();
    this.#children(element, depth);
    if (isBlock) this.#breakLine();
  }

  #children({ childNodes }: { childNodes: Node[] }, depth: number): void {
    if (depth < deepest) for (const child of childNodes) this.read(child, depth + 1);
  }

  #dataIn(node: Node): void {
    if ('tagName' in node && node.tagName === 'script' && node.attrs.some(isData)) this.data.push(rawText(node));
  }

  #breakLine(): void {
    const line = this.#line.trimEnd();
    if (line !== '') this.#lines.push(line);
    this.#line = '';
  }
}

const isData = ({ name, value }: { name: string; value: string }): boolean =>
  name === 'type' && value.trim().toLowerCase() === 'application/ld+json';

const rawText = (node: DefaultTreeAdapterTypes.Element): string =>
  node.childNodes.map((child) => ('value' in child ? child.value : '')).join('');
