import type { SurfaceKindRecord } from './surface-kind.ts';

export const banner: SurfaceKindRecord = {
  kind: 'banner',
  called: 'banner',
  means: 'a line over the pages of a shop',
  brings: 'bannerLines',
};
