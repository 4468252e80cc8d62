import { Type, type Static } from '@sinclair/typebox';
import { lengthUnitsOfFiles, weightUnitsOfFiles, type ImportMapping } from '../../core/imports/mapping.ts';
import { delimiters } from '../../core/tabular/guess-delimiter.ts';
import { encodings } from '../../core/tabular/encoding.ts';
import { dateForms } from '../../core/tabular/read-date.ts';
import { list, named, object, optional, text, whole, word, written } from '../shape.ts';

/** Of a row that was not taken. What stood in it is not kept. */
export const RejectionShape = object({ line: whole, column: text, reason: text });
export type Rejection = Static<typeof RejectionShape>;

/** One import of a file. */
export const ImportShape = named(
  'Import',
  object({
    id: whole,
    kind: word('orders', 'products'),
    fileName: text,
    fileBytes: whole,
    /** from reading a file into its own table, over the dry run, to applied; or reverted, and the other ends */
    state: word('reading', 'checked', 'applying', 'reverting', 'done', 'cancelled', 'failed'),
    bytesRead: whole,
    rowsRead: whole,
    staged: Type.Integer({ description: 'orders or products that stand ready' }),
    fresh: whole,
    changed: whole,
    same: whole,
    rejected: Type.Integer({ description: 'rows' }),
    rounded: Type.Integer({ description: 'amounts with more decimals than their currency' }),
    applied: whole,
    problem: text,
    /** ISO 8601, UTC */
    madeAt: text,
    rejections: optional(list(RejectionShape, { description: 'the first of the rejected rows; lists leave them out' })),
  }),
);
export type ImportRun = Static<typeof ImportShape>;
export type ImportState = ImportRun['state'];

const kind = { enum: ['orders', 'products'] };
const heading = { type: 'array', minItems: 1, maxItems: 500, items: { type: 'string', maxLength: 500 } };

const mapping = {
  type: 'object',
  additionalProperties: false,
  required: [
    'kind',
    'encoding',
    'delimiter',
    'decimal',
    'dates',
    'rows',
    'goods',
    'weights',
    'sizes',
    'market',
    'columns',
  ],
  properties: {
    kind,
    encoding: { enum: [...encodings] },
    delimiter: { enum: [...delimiters] },
    decimal: { enum: ['point', 'comma'] },
    dates: { enum: [...dateForms] },
    rows: { enum: ['orders', 'lines'] },
    goods: { enum: ['afterDiscount', 'beforeDiscount', 'withDelivery'] },
    weights: { enum: weightUnitsOfFiles },
    sizes: { enum: lengthUnitsOfFiles },
    market: { anyOf: [{ type: 'null' }, { type: 'string', maxLength: 40 }] },
    columns: {
      description: 'field → position of its column, from 0',
      type: 'object',
      maxProperties: 60,
      propertyNames: { pattern: '^[a-zA-Z]+(:[A-Z]{3})?$' },
      additionalProperties: { type: 'integer', minimum: 0, maximum: 499 },
    },
  },
};

export const ImportMappingShape = written<ImportMapping>(mapping);
const headingShape = written<string[]>(heading);

export const ImportRequestShape = object({
  fileName: Type.String({ minLength: 1, maxLength: 200 }),
  fileBytes: Type.Integer({ minimum: 0, maximum: 4_000_000_000 }),
  heading: headingShape,
  mapping: ImportMappingShape,
});
export type ImportRequest = Static<typeof ImportRequestShape>;

export const HeadingRequestShape = object({ kind: written<'orders' | 'products'>(kind), heading: headingShape });
