import { encodings } from '../../core/tabular/encoding.ts';
import { dateForms } from '../../core/tabular/read-date.ts';
import { delimiters } from '../../core/tabular/guess-delimiter.ts';
import type { ImportKind } from '../../core/imports/fields.ts';
import type { ImportMapping } from '../../core/imports/mapping.ts';
import { bodySchema } from '../http/read-request.ts';

const kind = { enum: ['orders', 'products'] };
const heading = { type: 'array', minItems: 1, maxItems: 500, items: { type: 'string', maxLength: 500 } };

export const mappingSchema = {
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
    weights: { enum: ['g', 'kg'] },
    sizes: { enum: ['mm', 'cm'] },
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

export const importRequestSchema = {
  type: 'object',
  additionalProperties: false,
  required: ['fileName', 'fileBytes', 'heading', 'mapping'],
  properties: {
    fileName: { type: 'string', minLength: 1, maxLength: 200 },
    fileBytes: { type: 'integer', minimum: 0, maximum: 4_000_000_000 },
    heading,
    mapping: mappingSchema,
  },
};

export interface ImportRequest {
  fileName: string;
  fileBytes: number;
  heading: string[];
  mapping: ImportMapping;
}

export const headingRequestSchema = {
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'heading'],
  properties: { kind, heading },
};

export const validateImportRequest = bodySchema<ImportRequest>(importRequestSchema);
export const validateHeadingRequest = bodySchema<{ kind: ImportKind; heading: string[] }>(headingRequestSchema);
