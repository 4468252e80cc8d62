import type { SurfaceKindRecord } from './surface-kind.ts';

export const mailTemplate: SurfaceKindRecord = {
  kind: 'mailTemplate',
  called: 'mail template',
  means: 'a letter that goes out again and again',
  brings: 'bannerLines',
};
