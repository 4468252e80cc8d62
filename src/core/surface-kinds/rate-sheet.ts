import type { SurfaceKindRecord } from './surface-kind.ts';

export const rateSheet: SurfaceKindRecord = {
  kind: 'rateSheet',
  called: 'rate sheet',
  means: 'a table of delivery prices that another system reads',
  brings: 'rateSheet',
};
