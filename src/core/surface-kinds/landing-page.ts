import type { SurfaceKindRecord } from './surface-kind.ts';

export const landingPage: SurfaceKindRecord = {
  kind: 'landingPage',
  called: 'landing page',
  means: 'a page that an advertisement leads to',
  brings: 'bannerLines',
};
