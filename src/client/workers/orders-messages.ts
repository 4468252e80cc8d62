import { addressOf } from '../http.ts';
import type { BunchingQuestion, BunchingResult } from '../../core/orders/bunching.ts';
import type { ConditionOnOrders } from '../../core/orders/condition-on-orders.ts';
import type { OrderBounds, OrderStudy } from '../../core/orders/study.ts';
import type { OrderFilter } from '../../core/orders/tally.ts';
import type { Condition, Market, Policy } from '../../core/policy/types.ts';

/** Of the draft, what a condition is tried on orders with. */
export interface ConditionSources extends Pick<Policy, 'store' | 'rates' | 'qualifiers'> {
  market: Market;
  /** zones of delivery options, by id */
  zoneOf: Record<string, string>;
}

/** What the page asks of the worker that holds the orders. `number` tells answers apart. */
export type OrdersRequest =
  | { kind: 'bounds'; number: number; market: string }
  | { kind: 'study'; number: number; market: string; filter: OrderFilter }
  | { kind: 'bunching'; number: number; market: string; filter: OrderFilter; question: BunchingQuestion }
  | { kind: 'condition'; number: number; market: string; condition: Condition; on: ConditionSources }
  /** orders that the page has fetched itself */
  | { kind: 'hand'; number: number; market: string; bytes: ArrayBuffer }
  /** orders have been imported: read them again */
  | { kind: 'forget'; number: number };

export type OrdersReply =
  | { kind: 'bounds'; number: number; bounds: OrderBounds }
  | { kind: 'study'; number: number; study: OrderStudy }
  | { kind: 'progress'; number: number; share: number }
  | { kind: 'bunching'; number: number; result: BunchingResult }
  | { kind: 'condition'; number: number; result: ConditionOnOrders }
  | { kind: 'failed'; number: number; reason: string };

/** Where a market's orders are read from. */
export const columnsAddress = (market: string): string => addressOf('GET /api/orders/columns', {}, { market });
