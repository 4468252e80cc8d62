import { Readable } from 'node:stream';
import type { ResultSetHeader } from 'mysql2/promise';
import { database } from '../database/pool.ts';

/**
 * Each import reads its file into a table of its own, which is dropped when it has ended: what is read twice or left half
 * done never touches the orders that are there. Its name is made of the import's number alone.
 */
export const stagedTable = (id: number): string => `staged_${Math.trunc(id)}`;
/** Orders as they were before an import changes them, for taking it back. */
export const replacedTable = (id: number): string => `replaced_${Math.trunc(id)}`;
/** First orders of customers, while new and returning are told apart. */
export const firstsTable = (id: number): string => `firsts_${Math.trunc(id)}`;

export const productColumns = ['id', 'sku', 'name', 'details', 'outcome'] as const;

const productTable =
  "id VARCHAR(40) NOT NULL, sku VARCHAR(40) NOT NULL, name VARCHAR(200) NOT NULL COLLATE utf8mb4_unicode_520_ci, details LONGTEXT NOT NULL, outcome ENUM('fresh', 'changed', 'same') NOT NULL";
const orderTable =
  'order_number VARCHAR(40) NOT NULL, placed_at DATETIME NOT NULL, market_id VARCHAR(40) NOT NULL, country CHAR(2) NOT NULL, region VARCHAR(40) NOT NULL, postcode VARCHAR(16) NOT NULL, currency CHAR(3) NOT NULL, goods_minor BIGINT NOT NULL, discount_minor BIGINT NULL, tax_minor BIGINT NULL, delivery_minor BIGINT NULL, option_id VARCHAR(40) NOT NULL, items INT UNSIGNED NULL, weight_grams INT UNSIGNED NULL, returning_shopper BOOLEAN NULL, customer_hash BINARY(16) NULL, code VARCHAR(80) NOT NULL, goods_lines MEDIUMTEXT NOT NULL';

/** `part`: 0 an order, 1 more of an order that stood before, 2 an order of which a row was refused; lines in the file. */
export async function makeStaging(id: number, kind: 'orders' | 'products'): Promise<void> {
  await dropStaging(id);
  await database().query(
    `CREATE TABLE ${stagedTable(id)} (position INT UNSIGNED NOT NULL PRIMARY KEY, line INT UNSIGNED NOT NULL, part TINYINT UNSIGNED NOT NULL, further_lines TEXT NOT NULL, ${kind === 'orders' ? orderTable : productTable}) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin`,
  );
}

export async function dropStaging(id: number): Promise<void> {
  await database().query(`DROP TABLE IF EXISTS ${stagedTable(id)}, ${replacedTable(id)}, ${firstsTable(id)}`);
}

/** Rows on their way into an import's own table, as tab-separated text in one piece of memory. */
export class StagedRows {
  readonly #bytes = Buffer.allocUnsafe(batchBytes + longestRow);
  #length = 0;

  add(row: string): void {
    this.#length += this.#bytes.write(row, this.#length, 'utf8');
  }

  get full(): boolean {
    return this.#length >= batchBytes;
  }

  /** Loads the rows and empties itself. The text is data: nothing in it is read as SQL. */
  async load(id: number, columns: readonly string[]): Promise<void> {
    if (this.#length === 0) return;
    const targets = columns.map((column) => (column === 'customer_hash' ? '@customer' : column));
    const hashed = columns.includes('customer_hash') ? ' SET customer_hash = UNHEX(@customer)' : '';
    const [result] = await database().query<ResultSetHeader>({
      sql: `LOAD DATA LOCAL INFILE 'rows' INTO TABLE ${stagedTable(id)} CHARACTER SET utf8mb4 FIELDS TERMINATED BY '\\t' ESCAPED BY '\\\\' LINES TERMINATED BY '\\n' (position, line, part, further_lines, ${targets.join(', ')})${hashed}`,
      infileStreamFactory: () => Readable.from([this.#bytes.subarray(0, this.#length)]),
    });
    // Loading from a client skips or bends what does not fit instead of refusing it; rows were checked, so nothing may be bent.
    if (!/Skipped: 0\s+Warnings: 0/.test(result.info)) throw new Error(`rows did not fit their table: ${result.info}`);
    this.#length = 0;
  }
}

const batchBytes = 1 << 21;
/** A row has at most 500 lines of 40 characters and a few more texts; a product's details stay below it too. */
const longestRow = 1 << 18;

/** A cell of such text. */
export function cell(value: string | number | boolean | null): string {
  if (value === null) return '\\N';
  if (typeof value === 'boolean') return value ? '1' : '0';
  if (typeof value === 'number') return String(value);
  return /[\\\t\n\r\0]/.test(value) ? value.replace(/[\\\t\n\r\0]/g, (mark) => escapes[mark]!) : value;
}

const escapes: Record<string, string> = { '\\': '\\\\', '\t': '\\t', '\n': '\\n', '\r': '\\r', '\0': '\\0' };
