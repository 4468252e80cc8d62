import type { AuditKind } from '../../contract/shapes/audit.ts';

/** Kinds of what is done, as they are read. */
export const kindWords: Record<AuditKind, string> = {
  'signing-in': 'signing in',
  'own-account': 'one’s own account',
  people: 'people',
  keys: 'keys',
  connections: 'connections',
  draft: 'the draft',
  release: 'releases',
  data: 'orders, products and rates',
  export: 'files saved',
  refused: 'refusals',
};
