export type Delimiter = ',' | ';' | '\t';

interface CsvHandler {
  /** @param line the line of the file on which the row begins, counted from 1 */
  row: (fields: string[], line: number) => void;
  /** a row that breaks the rules of quoting */
  fault: (reason: string, line: number) => void;
}

/** A quoted field longer than this has most likely lost its closing quote. */
const longestRow = 1 << 20;

/**
 * Reads CSV by RFC 4180 as text comes in, holding no more than the row under way. Rows end with CRLF or LF, or with CR where
 * the first line does; empty lines are passed over. A row that breaks the rules of quoting is reported and reading goes on
 * with the next line.
 */
export class CsvReader {
  #rest = '';
  #line = 1;
  /** what ends a line, known once the first end has been seen */
  #ending: '\n' | '\r' | null = null;
  /** inside a line that is too long to be a row */
  #passingOver = false;
  readonly #delimiter: Delimiter;
  readonly #handler: CsvHandler;

  constructor(delimiter: Delimiter, handler: CsvHandler) {
    this.#delimiter = delimiter;
    this.#handler = handler;
  }

  push(text: string): void {
    this.#read(this.#rest + text, false);
  }

  /** The file is at its end. */
  end(): void {
    this.#read(this.#rest, true);
  }

  #read(text: string, last: boolean): void {
    this.#ending ??= firstEnding(text, last || text.length > longestRow);
    if (this.#ending === null) {
      this.#rest = text;
      return;
    }
    const ending = this.#ending;
    let at = 0;
    if (this.#passingOver) {
      const found = text.indexOf(ending);
      at = found < 0 ? text.length : found + 1;
      this.#passingOver = found < 0;
      if (found >= 0) this.#line++;
    }
    while (at < text.length) {
      const found = text.indexOf(ending, at);
      if (found < 0 && text.length - at > longestRow) {
        this.#handler.fault('is longer than a million characters', this.#line);
        this.#passingOver = true;
        at = text.length;
        break;
      }
      if (found < 0 && !last) break;
      const feed = found < 0 ? text.length : found;
      let after = feed + 1;
      const line = text.slice(at, ending === '\n' && text[feed - 1] === '\r' && feed > at ? feed - 1 : feed);
      let lines = 1;
      if (!line.includes('"')) {
        if (line !== '') this.#handler.row(line.split(this.#delimiter), this.#line);
      } else {
        const row = this.#quotedRow(text, at, ending);
        if (row === 'open' && !last && text.length - at <= longestRow) break;
        if (row === 'open') this.#handler.fault('a quote is opened here and never closed', this.#line);
        else if ('fault' in row) this.#handler.fault(row.fault, this.#line);
        else {
          // A closing quote at the end of what is known may be the first half of a doubled one, or a CR of a CRLF.
          if (!last && row.end + 1 >= text.length && !text.startsWith(ending, row.end)) break;
          this.#handler.row(row.fields, this.#line);
          lines += text.slice(at, row.end).split(ending).length - 1;
          after = row.end + (text.startsWith('\r\n', row.end) ? 2 : 1);
        }
      }
      this.#line += lines;
      at = after;
    }
    this.#rest = text.slice(at);
  }

  /** The row from `at` on, which holds quotes somewhere. */
  #quotedRow(
    text: string,
    start: number,
    ending: string,
  ): { fields: string[]; end: number } | { fault: string } | 'open' {
    const fields: string[] = [];
    let at = start;
    for (;;) {
      if (text[at] === '"') {
        let field = '';
        let from = at + 1;
        for (;;) {
          const quote = text.indexOf('"', from);
          if (quote < 0) return 'open';
          field += text.slice(from, quote);
          if (text[quote + 1] !== '"') {
            at = quote + 1;
            break;
          }
          field += '"';
          from = quote + 2;
        }
        fields.push(field);
        const next = text[at];
        if (next === undefined || next === ending || text.startsWith('\r\n', at)) return { fields, end: at };
        if (next === '\r' && at + 1 === text.length) return 'open';
        if (next !== this.#delimiter) return { fault: `field ${fields.length} goes on after its closing quote` };
        at++;
        continue;
      }
      let end = at;
      while (end < text.length && text[end] !== this.#delimiter && text[end] !== ending && text[end] !== '"') end++;
      if (text[end] === '"') return { fault: `field ${fields.length + 1} has a quote inside but is not quoted` };
      const lineEnds = text[end] !== this.#delimiter;
      if (lineEnds && ending === '\n' && text[end - 1] === '\r' && end > at) end--;
      fields.push(text.slice(at, end));
      if (lineEnds) return { fields, end };
      at = end + 1;
    }
  }
}

/** How the first line ends; null while no end, or only a CR that may be half of a CRLF, has been seen. */
function firstEnding(text: string, last: boolean): '\n' | '\r' | null {
  const at = text.search(/[\r\n]/);
  if (at < 0) return last ? '\n' : null;
  if (text[at] === '\n' || text[at + 1] === '\n') return '\n';
  return at + 1 < text.length || last ? '\r' : null;
}
