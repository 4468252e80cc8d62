import type { SurfaceKind } from '../policy/types.ts';
import { Registry } from '../registry.ts';
import { banner } from './banner.ts';
import { landingPage } from './landing-page.ts';
import { mailTemplate } from './mail-template.ts';
import { policyPage } from './policy-page.ts';
import { productFeed } from './product-feed.ts';
import { rateSheet } from './rate-sheet.ts';
import { structuredData } from './structured-data.ts';
import type { SurfaceKindRecord } from './surface-kind.ts';

/** Every kind of surface, in the order in which they are offered. */
export const surfaceKinds = new Registry<SurfaceKindRecord>('surface', ({ kind }) => kind, [
  banner,
  policyPage,
  landingPage,
  mailTemplate,
  productFeed,
  structuredData,
  rateSheet,
]);

/** All that is known of a surface's kind. */
export const surfaceKindOf = ({ kind }: { kind: SurfaceKind }): SurfaceKindRecord => surfaceKinds.of(kind);
