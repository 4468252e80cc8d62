import { currencyExponent } from '../money/currency.ts';
import type { Policy } from '../policy/types.ts';
import { readDate } from '../tabular/read-date.ts';
import { readNumber } from '../tabular/read-number.ts';
import { orderFields, type OrderField } from './fields.ts';
import type { ImportMapping } from './mapping.ts';
import { PlaceNames } from './place-names.ts';
import { readInUnit } from './read-in-unit.ts';
import { Refusal, RowCells, yesOrNo } from './row-cells.ts';

/** An order as read from a file. Amounts in minor units of its currency; null where the file does not say. */
export interface ImportedOrder {
  number: string;
  /** ms since 1970-01-01T00:00Z */
  placedAt: number;
  marketId: string;
  country: string;
  region: string;
  postcode: string;
  currency: string;
  goods: number;
  discount: number | null;
  tax: number | null;
  delivery: number | null;
  /** an option's id where its name was recognised, else the words of the file */
  option: string;
  items: number | null;
  grams: number | null;
  returning: boolean | null;
  /** as in the file; to be hashed, never kept */
  customer: string | null;
  code: string;
  /** SKU and quantity; empty when the file has no lines */
  lines: [sku: string, quantity: number][];
}

/** Why a row cannot be taken. */
export interface RowFault {
  line: number;
  /** heading of the column at fault; empty for the row as a whole */
  column: string;
  reason: string;
  /** the order the row belongs to, if that could be read */
  number: string | null;
}

interface OrderHandler {
  /** an order that is complete as far as its rows stand together @param lines of its rows */
  order: (order: ImportedOrder, lines: number[]) => void;
  fault: (fault: RowFault) => void;
}

/** Turns the rows of a file into orders; rows of one order that follow each other become one. */
export class OrderRows {
  readonly #mapping: ImportMapping;
  readonly #cells: RowCells;
  readonly #handler: OrderHandler;
  readonly #timeZone: string;
  readonly #places: PlaceNames;
  #open: { order: ImportedOrder; rows: number[] } | null = null;
  /** an order of which a row was refused, so that its others are too */
  #refused: string | null = null;
  /** amounts that had more decimals than their currency, and were rounded */
  rounded = 0;

  constructor(policy: Policy, mapping: ImportMapping, heading: readonly string[], handler: OrderHandler) {
    this.#mapping = mapping;
    this.#cells = new RowCells(mapping, heading, orderFields);
    this.#handler = handler;
    this.#timeZone = policy.store.timeZone;
    this.#places = new PlaceNames(policy, mapping.market);
  }

  row(fields: readonly string[], line: number): void {
    let number: string | null = null;
    try {
      this.#cells.checkWidth(fields);
      number = this.#cells.text(fields, 'number', 40);
      if (number === '') throw new Refusal('number', 'is empty');
      if (this.#mapping.rows === 'orders') {
        this.#handler.order(this.#order(fields, number), [line]);
        return;
      }
      if (this.#refused === number) throw new Refusal(null, otherRow);
      if (this.#open?.order.number !== number) {
        this.flush();
        this.#open = { order: this.#order(fields, number), rows: [] };
      }
      this.#addLine(this.#open!.order, fields);
      this.#open!.rows.push(line);
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      if (number !== null && this.#mapping.rows === 'lines') {
        if (this.#open?.order.number !== number) this.flush();
        for (const row of this.#open?.rows ?? [])
          this.#handler.fault({ line: row, column: '', reason: otherRow, number });
        this.#open = null;
        this.#refused = number;
      }
      this.#handler.fault({ line, column: this.#cells.headingOf(error.field), reason: error.message, number });
    }
  }

  /** The rows are at an end, or a row could not be read. */
  flush(): void {
    if (this.#open) this.#handler.order(this.#open.order, this.#open.rows);
    this.#open = null;
    this.#refused = null;
  }

  #amount(fields: readonly string[], field: OrderField, exponent: number): number | null {
    const text = this.#cells.text(fields, field, 60);
    if (text === '' || text === '-') return null;
    const read = readNumber(text, this.#mapping.decimal, exponent);
    if (!read.ok) throw new Refusal(field, `is not a number with a decimal ${this.#mapping.decimal}`);
    if (Math.abs(read.minor) > largest) throw new Refusal(field, 'is larger than any order');
    if (read.rounded) this.rounded++;
    return read.minor;
  }

  #count(fields: readonly string[], field: OrderField, most: number): number | null {
    const text = this.#cells.text(fields, field, 40);
    if (text === '') return null;
    const read = readNumber(text, this.#mapping.decimal, 0);
    if (!read.ok || read.rounded || read.minor < 0 || read.minor > most)
      throw new Refusal(field, 'is not a whole number of pieces');
    return read.minor;
  }

  #order(fields: readonly string[], number: string): ImportedOrder {
    const placedAt = readDate(this.#cells.text(fields, 'placedAt', 40), this.#mapping.dates, this.#timeZone);
    if (placedAt === null || placedAt < 0 || placedAt > latest)
      throw new Refusal('placedAt', `is not a date in the form ${dateFormWords[this.#mapping.dates]}`);
    const { marketId, country, currency, exponent } = this.#place(fields);
    const discount = this.#amount(fields, 'discount', exponent);
    const delivery = this.#amount(fields, 'delivery', exponent);
    if (delivery !== null && delivery < 0) throw new Refusal('delivery', 'is less than nothing');
    const weightText = this.#cells.text(fields, 'weight', 40);
    const weight = weightText === '' ? null : readInUnit(weightText, this.#mapping.decimal, this.#mapping.weights);
    if (weight === null && weightText !== '')
      throw new Refusal('weight', `is not a weight in ${this.#mapping.weights}`);
    const customer = this.#cells.text(fields, 'customer', 320).toLowerCase();
    return {
      number,
      placedAt,
      marketId,
      country,
      region: this.#cells.text(fields, 'region', 40),
      postcode: this.#cells.text(fields, 'postcode', 16),
      currency,
      goods: this.#goods(fields, exponent, discount, delivery),
      discount: discount === null ? null : Math.abs(discount),
      tax: this.#amount(fields, 'tax', exponent),
      delivery,
      option: this.#places.optionOf(this.#cells.text(fields, 'option', 80), marketId),
      items: this.#count(fields, 'items', 4_000_000_000),
      grams: weight,
      returning: this.#returning(fields),
      customer: customer === '' ? null : customer,
      code: this.#cells.text(fields, 'code', 80),
      lines: [],
    };
  }

  #goods(fields: readonly string[], exponent: number, discount: number | null, delivery: number | null): number {
    if (this.#sumsLines()) return 0;
    const value = this.#amount(fields, 'goods', exponent);
    if (value === null) throw new Refusal('goods', 'is empty');
    const contained = { afterDiscount: 0, beforeDiscount: Math.abs(discount ?? 0), withDelivery: delivery ?? 0 };
    const goods = value - contained[this.#mapping.goods];
    if (goods < 0) throw new Refusal('goods', 'is less than nothing');
    return goods;
  }

  /** Whether the goods value of an order is the sum of its lines. */
  #sumsLines(): boolean {
    return this.#mapping.rows === 'lines' && this.#cells.has('lineValue') && !this.#cells.has('goods');
  }

  #place(fields: readonly string[]): { marketId: string; country: string; currency: string; exponent: number } {
    const countryText = this.#cells.text(fields, 'country', 80);
    const marketText = this.#cells.text(fields, 'market', 120);
    const found = this.#places.find(countryText, marketText);
    if (!found.ok) throw new Refusal(found.field, found.reason);
    const stated = this.#cells.text(fields, 'currency', 10).toUpperCase();
    if (stated !== '' && stated !== found.currency)
      throw new Refusal('currency', `is not ${found.currency}, the currency of ${found.marketName}`);
    return found;
  }

  #returning(fields: readonly string[]): boolean | null {
    const text = this.#cells.text(fields, 'shopper', 60);
    if (text === '') return null;
    if (
      /^(returning|return|existing|repeat|bestaand|terugkerend|stammkunde|wiederkehrend|bestandskunde|fidele|fidèle|tilbagevendende)/i.test(
        text,
      )
    )
      return true;
    if (/^(new|first|nieuw|neu|nouveau|nouvelle|ny)/i.test(text)) return false;
    const yes = yesOrNo(text);
    if (yes === null) throw new Refusal('shopper', 'says neither new nor returning, neither yes nor no');
    // What yes means is in the heading: a column may ask “new customer” as well as “returning”.
    const heading = this.#cells.headingOf('shopper');
    return /new|neu|nieuw|nouveau|first|ny /i.test(heading) && !/return/i.test(heading) ? !yes : yes;
  }

  #addLine(order: ImportedOrder, fields: readonly string[]): void {
    const quantity = this.#count(fields, 'quantity', 1_000_000) ?? 1;
    const sku = this.#cells.text(fields, 'product', 40);
    if (sku !== '' && quantity > 0) {
      if (/[\t\n]/.test(sku)) throw new Refusal('product', 'has a line break or tab in it');
      const known = order.lines.find(([other]) => other === sku);
      if (known) known[1] += quantity;
      else if (order.lines.length >= mostLines)
        throw new Refusal(null, 'is beyond the 500 products that an order may have');
      else order.lines.push([sku, quantity]);
    }
    if (!this.#cells.has('items')) order.items = (order.items ?? 0) + quantity;
    if (this.#sumsLines()) {
      const value = this.#amount(fields, 'lineValue', currencyExponent(order.currency));
      if (value === null) throw new Refusal('lineValue', 'is empty');
      order.goods += value;
    }
  }
}

export const otherRow = 'another row of the same order was not taken';

export const dateFormWords = {
  ymd: 'year-month-day',
  dmy: 'day-month-year',
  mdy: 'month-day-year',
  unix: 'seconds since 1970',
} as const;

const mostLines = 500;
/** minor units */
const largest = 1_000_000_000_000;
const latest = Date.UTC(2100, 0, 1);
