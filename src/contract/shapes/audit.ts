import { Type, type Static } from '@sinclair/typebox';
import { flag, list, moment, named, nullable, object, optional, text, whole, word } from '../shape.ts';

export const auditKinds = [
  'signing-in',
  'own-account',
  'people',
  'keys',
  'connections',
  'draft',
  'release',
  'data',
  'export',
  'refused',
] as const;
export type AuditKind = (typeof auditKinds)[number];

export const AuditEntryShape = named(
  'AuditEntry',
  object({
    id: whole,
    at: moment,
    kind: word(...auditKinds),
    person: nullable(Type.String({ description: 'null: nobody is known to have done it' })),
    address: Type.String({ description: 'where it was asked from; empty: not known' }),
    what: text,
  }),
);
export type AuditEntry = Static<typeof AuditEntryShape>;

const day = Type.String({ pattern: '^\\d{4}-\\d{2}-\\d{2}$', description: 'UTC' });
const filter = {
  kind: optional(word(...auditKinds)),
  person: optional(Type.String({ maxLength: 80, description: 'a name as entries have it' })),
  from: optional(day),
  to: optional(day),
};
export const AuditQueryShape = object({
  ...filter,
  before: optional(Type.String({ pattern: '^\\d{1,15}$', description: 'only entries older than the one of that id' })),
});
export type AuditQuery = Static<typeof AuditQueryShape>;
export const AuditFilterShape = object(filter);
export type AuditFilter = Static<typeof AuditFilterShape>;

export const AuditShape = named(
  'Audit',
  object({
    entries: list(AuditEntryShape),
    more: Type.Unsafe<boolean>({ ...flag, description: 'whether there are older ones' }),
  }),
);
export type Audit = Static<typeof AuditShape>;

/** Of a file that a page made of what it shows. */
export const ExportShape = object({ file: Type.String({ minLength: 1, maxLength: 120 }) });
