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
    let at = this.#passingOver ? this.#passOver(text, ending) : 0;
    while (at < text.length) {
      const after = this.#readRow(text, at, ending, last);
      if (after === null) break;
      at = after;
    }
    this.#rest = text.slice(at);
  }

  /** The rest of a line that is too long. @returns where the next one begins */
  #passOver(text: string, ending: string): number {
    const found = text.indexOf(ending);
    if (found < 0) return text.length;
    this.#passingOver = false;
    this.#line++;
    return found + 1;
  }

  /** @returns where the row after the one at `at` begins; null when more has to be known first */
  #readRow(text: string, at: number, ending: string, last: boolean): number | null {
    const found = text.indexOf(ending, at);
    if (found < 0 && text.length - at > longestRow) {
      this.#handler.fault('is longer than a million characters', this.#line);
      this.#passingOver = true;
      return text.length;
    }
    if (found < 0 && !last) return null;
    const feed = found < 0 ? text.length : found;
    const line = text.slice(at, ending === '\n' && text[feed - 1] === '\r' && feed > at ? feed - 1 : feed);
    if (line.includes('"')) return this.#readQuoted(text, { at, feed, ending, last });
    if (line !== '') this.#handler.row(line.split(this.#delimiter), this.#line);
    this.#line++;
    return feed + 1;
  }

  /** As `readRow`, of a row that holds quotes somewhere. `feed`: where its first line ends */
  #readQuoted(
    text: string,
    { at, feed, ending, last }: { at: number; feed: number; ending: string; last: boolean },
  ): number | null {
    const row = this.#quotedRow(text, at, ending);
    if (row === 'open' && !last && text.length - at <= longestRow) return null;
    if (row === 'open' || 'fault' in row) {
      this.#handler.fault(row === 'open' ? 'a quote is opened here and never closed' : row.fault, this.#line);
      this.#line++;
      return feed + 1;
    }
    // A closing quote at the end of what is known may be the first half of a doubled one, or a CR of a CRLF.
    if (!last && row.end + 1 >= text.length && !text.startsWith(ending, row.end)) return null;
    this.#handler.row(row.fields, this.#line);
    this.#line += text.slice(at, row.end).split(ending).length;
    return row.end + (text.startsWith('\r\n', row.end) ? 2 : 1);
  }

  /** The row from `start` on, which holds quotes somewhere. */
  #quotedRow(
    text: string,
    start: number,
    ending: string,
  ): { fields: string[]; end: number } | { fault: string } | 'open' {
    const fields: string[] = [];
    let at = start;
    for (;;) {
      if (text[at] === '"') {
        const field = quotedField(text, at);
        if (field === null) return 'open';
        fields.push(field.value);
        at = field.end;
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

/** The field whose opening quote is at `start`, and where it ends; null when its closing quote is not known yet. */
function quotedField(text: string, start: number): { value: string; end: number } | null {
  let value = '';
  let from = start + 1;
  for (;;) {
    const quote = text.indexOf('"', from);
    if (quote < 0) return null;
    value += text.slice(from, quote);
    if (text[quote + 1] !== '"') return { value, end: quote + 1 };
    value += '"';
    from = quote + 2;
  }
}

/** How the first line ends; null while no end, or only a CR that may be half of a CRLF, has been seen. */
function firstEnding(text: string, last: boolean): '\n' | '\r' | null {
  const at = text.search(/[\r\n]/);
  if (at < 0) return last ? '\n' : null;
  if (text[at] === '\n' || text[at + 1] === '\n') return '\n';
  return at + 1 < text.length || last ? '\r' : null;
}
