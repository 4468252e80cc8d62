import type { ImportMapping } from './mapping.ts';

/** Thrown inside the reading of a row that cannot be taken. */
export class Refusal extends Error {
  /** null: the row as a whole */
  readonly field: string | null;
  constructor(field: string | null, reason: string) {
    super(reason);
    this.field = field;
  }
}

/** The cells of rows by what they stand for. */
export class RowCells {
  readonly #columns: Record<string, number>;
  readonly #heading: readonly string[];
  readonly #labels: ReadonlyMap<string, string>;

  /** @param fields their labels name what has no column */
  constructor(mapping: ImportMapping, heading: readonly string[], fields: readonly { id: string; label: string }[]) {
    this.#columns = mapping.columns;
    this.#heading = heading;
    this.#labels = new Map(fields.map(({ id, label }) => [id, label]));
  }

  has(field: string): boolean {
    return this.#columns[field] !== undefined;
  }

  /** @throws Refusal when a row is not as wide as the heading */
  checkWidth(row: readonly string[]): void {
    if (row.length !== this.#heading.length)
      throw new Refusal(null, `has ${row.length} fields where the heading has ${this.#heading.length}`);
  }

  /** A cell without space around it; empty without a column. @throws Refusal */
  text(row: readonly string[], field: string, longest: number): string {
    const at = this.#columns[field];
    if (at === undefined) return '';
    const text = row[at]!.trim();
    if (text.length > longest) throw new Refusal(field, `has more than ${longest} characters`);
    if (text.includes('\ufffd')) throw new Refusal(field, 'has bytes that are not text in the chosen encoding');
    return text;
  }

  /** Heading of a field's column, or its label where it has none; empty for a row as a whole. */
  headingOf(field: string | null): string {
    if (field === null) return '';
    const at = this.#columns[field];
    return at === undefined ? (this.#labels.get(field) ?? '') : (this.#heading[at] ?? '');
  }
}

/** Yes or no in common languages; null for anything else. */
export function yesOrNo(text: string): boolean | null {
  if (/^(1|yes|y|true|ja|oui|si|x)$/i.test(text)) return true;
  if (/^(0|no|n|false|nee|nein|non|nej)$/i.test(text)) return false;
  return null;
}
