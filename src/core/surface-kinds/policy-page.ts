import type { SurfaceKindRecord } from './surface-kind.ts';

export const policyPage: SurfaceKindRecord = {
  kind: 'policyPage',
  called: 'policy page',
  means: 'the page that says what delivery costs',
  brings: 'policyPage',
};
