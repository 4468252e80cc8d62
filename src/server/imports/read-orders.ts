import { OrderRows, type ImportedOrder, type RowFault } from '../../core/imports/order-rows.ts';
import { SeenNumbers } from '../../core/imports/seen-numbers.ts';
import { dateOfDay } from '../../core/time/day.ts';
import type { Policy } from '../../core/policy/types.ts';
import { linesAsText } from '../orders/order-store.ts';
import type { FullImportRun } from './import-store.ts';
import { cell } from './staging.ts';

/** What a reader of rows hands on: text for the import's own table, and rows that could not be taken. */
export interface RowSink {
  staged: (cells: string) => void;
  rejected: (fault: RowFault) => void;
}

/** A row of the file and the line that it begins on. */
export type Row = readonly [fields: readonly string[], line: number];

export const rowsAhead = 500;

export interface RowReader {
  /** given rows, at most `rowsAhead`, before they come one by one: what they need of the database is read for all at once */
  ahead?: (rows: readonly Row[]) => Promise<void>;
  row: (fields: readonly string[], line: number) => void;
  end: () => void;
  rounded: () => number;
}

const pairs = Array.from({ length: 100 }, (_, n) => String(n).padStart(2, '0'));

/** A moment in UTC as MariaDB reads it. */
function seconds(ms: number): string {
  const all = Math.floor(ms / 1000);
  const day = Math.floor(all / 86_400);
  const left = all - day * 86_400;
  if (day !== lastDay.day) lastDay = { day, text: dateOfDay(day) };
  return `${lastDay.text} ${pairs[Math.floor(left / 3600)]}:${pairs[Math.floor(left / 60) % 60]}:${pairs[left % 60]}`;
}

/** Orders mostly come by date. */
let lastDay = { day: 0, text: dateOfDay(0) };

/** What is known of orders beside the file. */
export interface OrdersKnown {
  /** of a customer's key */
  hash: (key: string) => string;
  /** ms since 1970; older orders have been aggregated, and are not taken again */
  keptFrom: number;
}

/** Reads the rows of an order file. */
export function orderReader(
  run: FullImportRun,
  policy: Policy,
  { hash, keptFrom }: OrdersKnown,
  sink: RowSink,
): RowReader {
  const seen = new SeenNumbers();
  const grouped = run.mapping.rows === 'lines';
  const stage = (part: number, order: ImportedOrder, [line, ...further]: number[]) => {
    const customer = order.customer === null ? null : hash(order.customer);
    sink.staged(
      `${line}\t${part}\t${further.join(' ')}\t${cell(order.number)}\t${seconds(order.placedAt)}\t${order.marketId}\t${order.country}\t${cell(order.region)}\t${cell(order.postcode)}\t${order.currency}\t${order.goods}\t${cell(order.discount)}\t${cell(order.tax)}\t${cell(order.delivery)}\t${cell(order.option)}\t${cell(order.items)}\t${cell(order.grams)}\t${cell(order.returning)}\t${cell(customer)}\t${cell(order.code)}\t${order.lines.length > 0 ? cell(linesAsText(order.lines)) : ''}\n`,
    );
  };
  const rows = new OrderRows(policy, run.mapping, run.heading, {
    order: (order, lines) => {
      const line = lines[0]!;
      if (order.placedAt < keptFrom) {
        sink.rejected({
          line,
          column: run.heading[run.mapping.columns.placedAt!] ?? '',
          reason: `is of before ${dateOfDay(Math.floor(keptFrom / 86_400_000))}: orders of then are no longer kept one by one, and may be counted already`,
          number: order.number,
        });
        if (grouped) stage(2, refused(order.number), lines);
        return;
      }
      const before = seen.lineBefore(order.number, line);
      if (before === 0) stage(0, order, lines);
      else if (grouped) stage(1, order, lines);
      else
        sink.rejected({
          line,
          column: run.heading[run.mapping.columns.number!] ?? '',
          reason: `stands on line ${before} already`,
          number: order.number,
        });
    },
    fault: (fault) => {
      sink.rejected(fault);
      if (grouped && fault.number !== null) stage(2, refused(fault.number), [fault.line]);
    },
  });
  return { row: (fields, line) => rows.row(fields, line), end: () => rows.flush(), rounded: () => rows.rounded };
}

/** Stands for an order of which a row was refused, wherever its other rows stand. */
function refused(number: string): ImportedOrder {
  return {
    number,
    placedAt: 0,
    marketId: '',
    country: '',
    region: '',
    postcode: '',
    currency: '',
    goods: 0,
    discount: null,
    tax: null,
    delivery: null,
    option: '',
    items: null,
    grams: null,
    returning: null,
    customer: null,
    code: '',
    lines: [],
  };
}
