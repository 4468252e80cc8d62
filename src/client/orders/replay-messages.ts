import type { Replay } from '../../core/orders/replay/replay.ts';
import type { Policy } from '../../core/policy/types.ts';

/** What orders are replayed under. */
export interface ReplayRequest {
  draft: Policy;
  release: Policy | null;
  markets: string[];
  /** ms since 1970-01-01T00:00Z */
  now: number;
}

/** What is told while they are. */
export type ReplayNews =
  /** `whole`: of all orders, not of a sample */
  | { kind: 'market'; market: string; whole: boolean; replay: Replay }
  /** orders of a market cannot be replayed */
  | { kind: 'left'; market: string; reason: string }
  | { kind: 'progress'; share: number };

/** From a worker: done once it has been heard. */
export type TellReplay = (news: ReplayNews) => void | Promise<void>;
