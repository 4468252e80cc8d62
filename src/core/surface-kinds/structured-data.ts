import type { SurfaceKindRecord } from './surface-kind.ts';

export const structuredData: SurfaceKindRecord = {
  kind: 'structuredData',
  called: 'structured data',
  means: 'what a product page tells search engines of delivery',
  brings: 'structuredData',
};
