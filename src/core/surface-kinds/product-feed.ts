import type { SurfaceKindRecord } from './surface-kind.ts';

export const productFeed: SurfaceKindRecord = {
  kind: 'productFeed',
  called: 'product feed',
  means: 'a file of products that others show with their delivery price',
  brings: 'feed',
};
