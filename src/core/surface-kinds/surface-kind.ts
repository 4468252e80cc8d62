import type { SurfaceKind } from '../policy/types.ts';

/** What is generated to stand in surfaces. */
export type GeneratedId = 'policyPage' | 'bannerLines' | 'structuredData' | 'feed' | 'rateSheet';

/** All that is known of one kind of surface. */
export interface SurfaceKindRecord {
  kind: SurfaceKind;
  /** one of them, in a sentence and as a usual first name */
  called: string;
  /** what it is, in the list of those that can be added */
  means: string;
  /** what stands beside the old text when it is brought into line */
  brings: GeneratedId;
}
