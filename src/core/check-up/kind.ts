import type { Catalogue } from '../catalogue/product.ts';
import type { CompiledPolicy } from '../evaluation/compile.ts';
import type { RateHistory } from '../money/rate-history.ts';
import type { Distribution } from '../orders/distribution.ts';
import type { Found, FindingStop, Unexamined } from './finding.ts';

/** How another place that states delivery prices stands: how many of its statements are not so. */
export interface SurfaceKnown {
  stale: number;
  /** right now, and not so with the draft */
  becomesStale: number;
}

/** All that a check-up looks at. */
export interface Examined {
  compiled: CompiledPolicy;
  catalogue: Catalogue;
  /** ms since 1970-01-01T00:00Z */
  now: number;
  /** how the order values of each market are distributed, as far as it is known */
  orders?: ReadonlyMap<string, Distribution>;
  /** rates day by day, the same */
  rates?: RateHistory;
  /** surfaces, the same */
  surfaces?: ReadonlyMap<string, SurfaceKnown>;
  /** in which amounts, dates and countries are written */
  locale: string;
}

/** All that is known of one kind of finding. */
export interface FindingKind {
  kind: string;
  /** several of it, where findings are filtered */
  called: string;
  stop: FindingStop;
  /** cannot be accepted: it is there until what it speaks of is otherwise */
  firm?: boolean;
  find: (examined: Examined) => (Found | Unexamined)[];
  /** the same with pauses, of what takes long */
  findInSteps?: (examined: Examined) => Generator<void, (Found | Unexamined)[]>;
}
