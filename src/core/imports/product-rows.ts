import type { Product } from '../catalogue/product.ts';
import { mostPreparationDays } from '../time/preparation.ts';
import { currencyExponent } from '../money/currency.ts';
import type { Policy } from '../policy/types.ts';
import { readInUnit } from './read-in-unit.ts';
import { readNumber } from '../tabular/read-number.ts';
import { productFields, type ProductField } from './fields.ts';
import type { ImportMapping } from './mapping.ts';
import type { RowFault } from './order-rows.ts';
import { Refusal, RowCells, yesOrNo } from './row-cells.ts';

/** What a row says of a product; what it does not say stays as it was. */
interface ImportedProduct {
  sku: string;
  name: string;
  said: Partial<Omit<Product, 'id' | 'sku' | 'name' | 'prices' | 'sizeMm'>>;
  /** market id → minor units */
  prices: Record<string, number>;
  /** mm; null where the file has no size for it */
  size: [number | null, number | null, number | null];
}

/** Reads the rows of a product file. */
export class ProductRows {
  readonly #mapping: ImportMapping;
  readonly #cells: RowCells;
  readonly #marketsOf: Map<string, string[]>;

  constructor(policy: Policy, mapping: ImportMapping, heading: readonly string[]) {
    this.#mapping = mapping;
    this.#cells = new RowCells(mapping, heading, productFields);
    this.#marketsOf = new Map();
    for (const [id, { currency }] of Object.entries(policy.markets))
      this.#marketsOf.set(currency, [...(this.#marketsOf.get(currency) ?? []), id]);
  }

  read(
    fields: readonly string[],
    line: number,
  ): { ok: true; product: ImportedProduct } | { ok: false; fault: RowFault } {
    try {
      this.#cells.checkWidth(fields);
      return { ok: true, product: this.#product(fields) };
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      return {
        ok: false,
        fault: { line, column: this.#cells.headingOf(error.field), reason: error.message, number: null },
      };
    }
  }

  #product(fields: readonly string[]): ImportedProduct {
    const sku = this.#cells.text(fields, 'sku', 40);
    if (!sku) throw new Refusal('sku', 'is empty');
    const name = this.#cells.text(fields, 'name', 200);
    if (!name) throw new Refusal('name', 'is empty');
    const said: ImportedProduct['said'] = {};
    const weight = this.#measured(fields, 'weight', this.#mapping.weights, 'weight');
    if (weight !== undefined) said.weightGrams = weight;
    const preparation = this.#number(fields, 'preparation', 0, 'a number of days');
    if (preparation !== undefined) {
      if (preparation > mostPreparationDays)
        throw new Refusal('preparation', `is more than ${mostPreparationDays} days`);
      said.preparationDays = preparation;
    }
    const category = this.#list(fields, 'category');
    if (category) said.categories = category;
    const tags = this.#list(fields, 'tags');
    if (tags) said.tags = tags;
    const taxClass = this.#cells
      .text(fields, 'taxClass', 40)
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '');
    if (taxClass) said.taxClass = taxClass;
    for (const flag of ['needsDelivery', 'countsTowardGoals', 'shipsFree'] as const) {
      const value = this.#flag(fields, flag);
      if (value !== undefined) said[flag] = value;
    }
    const side = (field: 'length' | 'width' | 'height') =>
      this.#measured(fields, field, this.#mapping.sizes, 'size') ?? null;
    return { sku, name, said, prices: this.#prices(fields), size: [side('length'), side('width'), side('height')] };
  }

  #prices(fields: readonly string[]): Record<string, number> {
    const prices: Record<string, number> = {};
    for (const field of Object.keys(this.#mapping.columns)) {
      if (!field.startsWith('price:')) continue;
      const currency = field.slice(6);
      const minor = this.#number(fields, field as ProductField, currencyExponent(currency), `a price in ${currency}`);
      if (minor !== undefined) for (const market of this.#marketsOf.get(currency) ?? []) prices[market] = minor;
    }
    return prices;
  }

  /** Undefined where the file does not say. */
  #number(fields: readonly string[], field: ProductField, exponent: number, what: string): number | undefined {
    const text = this.#cells.text(fields, field, 40);
    if (text === '') return undefined;
    const read = readNumber(text, this.#mapping.decimal, exponent);
    if (!read.ok || read.minor < 0 || read.minor > 1_000_000_000_000)
      throw new Refusal(field, `is not ${what} with a decimal ${this.#mapping.decimal}`);
    return read.minor;
  }

  /** In grams or mm; undefined where the file does not say. */
  #measured(
    fields: readonly string[],
    field: ProductField,
    unit: ImportMapping['weights'] | ImportMapping['sizes'],
    what: 'weight' | 'size',
  ): number | undefined {
    const text = this.#cells.text(fields, field, 40);
    if (text === '') return undefined;
    const { decimal } = this.#mapping;
    const read = readInUnit(text, decimal, unit);
    if (read === null) throw new Refusal(field, `is not a ${what} in ${unit} with a decimal ${decimal}`);
    return read;
  }

  #list(fields: readonly string[], field: 'category' | 'tags'): string[] | null {
    const text = this.#cells.text(fields, field, 1000);
    if (!this.#cells.has(field)) return null;
    const items = text
      .split(/[|;,>]/)
      .map((item) =>
        item
          .trim()
          .toLowerCase()
          .replace(/[^\p{L}\p{N}]+/gu, '-')
          .replace(/^-|-$/g, ''),
      )
      .filter(Boolean);
    return [...new Set(items)];
  }

  #flag(fields: readonly string[], field: 'needsDelivery' | 'countsTowardGoals' | 'shipsFree'): boolean | undefined {
    const text = this.#cells.text(fields, field, 20);
    if (text === '') return undefined;
    const said = yesOrNo(text);
    if (said === null) throw new Refusal(field, 'says neither yes nor no');
    return said;
  }
}

/** A product as it stands after a row of a file. @param before as it was, null for a new one @param id for a new one */
export function afterRow(
  before: Product | null,
  { sku, name, said, prices, size }: ImportedProduct,
  id: string,
): Product {
  const base: Product = before ?? {
    id,
    sku,
    name,
    prices: {},
    taxClass: 'standard',
    weightGrams: null,
    sizeMm: null,
    categories: [],
    tags: [],
    needsDelivery: true,
    countsTowardGoals: true,
    shipsFree: false,
    ownDelivery: null,
    preparationDays: 0,
    notTo: [],
  };
  const [length, width, height] = size;
  return {
    ...base,
    ...said,
    sku,
    name,
    prices: { ...base.prices, ...prices },
    sizeMm: length !== null && width !== null && height !== null ? [length, width, height] : base.sizeMm,
  };
}

/** An id for a new product: its SKU in the letters that ids have. */
export function productIdOf(sku: string): string {
  const plain = sku
    .normalize('NFD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40)
    .replace(/-+$/, '');
  return plain === '' || plain === 'constructor' || plain === 'prototype'
    ? `product-${plain}`.replace(/-$/, '')
    : plain;
}
