import type { BunchingQuestion, BunchingResult } from '../../core/orders/bunching.ts';
import type { OrderBounds, OrderStudy } from '../../core/orders/study.ts';
import type { OrderFilter } from '../../core/orders/tally.ts';

/** What the page asks of the worker that holds the orders. `number` tells answers apart. */
export type OrdersRequest =
  | { kind: 'bounds'; number: number; market: string }
  | { kind: 'study'; number: number; market: string; filter: OrderFilter }
  | { kind: 'bunching'; number: number; market: string; filter: OrderFilter; question: BunchingQuestion }
  /** orders that the page has fetched itself */
  | { kind: 'hand'; number: number; market: string; bytes: ArrayBuffer }
  /** orders have been imported: read them again */
  | { kind: 'forget'; number: number };

export type OrdersReply =
  | { kind: 'bounds'; number: number; bounds: OrderBounds }
  | { kind: 'study'; number: number; study: OrderStudy }
  | { kind: 'progress'; number: number; share: number }
  | { kind: 'bunching'; number: number; result: BunchingResult }
  | { kind: 'failed'; number: number; reason: string };

/** Where a market's orders are read from. */
export const columnsAddress = (market: string): string => `/api/orders/columns?market=${encodeURIComponent(market)}`;
