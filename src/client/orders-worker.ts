import type { BunchingQuestion, BunchingResult } from '../core/orders/bunching.ts';
import type { ConditionOnOrders } from '../core/orders/condition-on-orders.ts';
import type { OrderBounds, OrderStudy } from '../core/orders/study.ts';
import type { OrderFilter } from '../core/orders/tally.ts';
import type { Condition } from '../core/policy/types.ts';
import {
  columnsAddress,
  type ConditionSources,
  type OrdersReply,
  type OrdersRequest,
} from './workers/orders-messages.ts';

type Asked<T> = T extends unknown ? Omit<T, 'number'> : never;

interface Waiting {
  resolve: (reply: OrdersReply) => void;
  reject: (error: Error) => void;
  progress?: (share: number) => void;
}

/** The page's side of the worker that holds the orders. Every question is answered, in turn; who asks knows whether the answer is still wanted. */
export class OrdersWorker {
  readonly #worker = new Worker(new URL('./workers/orders.worker.ts', import.meta.url), { type: 'module' });
  readonly #waiting = new Map<number, Waiting>();
  #number = 0;
  /** answers asked for before anybody wanted them, by question; each is taken once */
  readonly #ahead = new Map<string, Promise<unknown>>();

  constructor() {
    this.#worker.onmessage = ({ data }: MessageEvent<OrdersReply>) => {
      const waiting = this.#waiting.get(data.number);
      if (!waiting) return;
      if (data.kind === 'progress') return waiting.progress?.(data.share);
      this.#waiting.delete(data.number);
      if (data.kind === 'failed') waiting.reject(new Error(data.reason));
      else waiting.resolve(data);
    };
  }

  /** Asks for a market and what the address looks at in it, to have it when the view asks. What goes wrong is told then. */
  lookAhead(market: string, filter: (bounds: OrderBounds) => OrderFilter): void {
    const bounds = this.#handOver(market).then(() => this.#askBounds(market));
    this.#ahead.set(market, bounds);
    bounds.then(
      (known) => {
        const wanted = filter(known);
        const study = this.study(market, wanted);
        study.catch(() => {});
        this.#ahead.set(keyOf(market, wanted), study);
      },
      () => {},
    );
  }

  /** Gives the worker what the page has asked for in its head; without it the worker asks itself. */
  async #handOver(market: string): Promise<void> {
    try {
      const response = await fetch(columnsAddress(market));
      if (!response.ok) return;
      const bytes = await response.arrayBuffer();
      this.#worker.postMessage({ kind: 'hand', number: 0, market, bytes } satisfies OrdersRequest, [bytes]);
    } catch {
      // The worker's own question will say what is wrong.
    }
  }

  async bounds(market: string): Promise<OrderBounds> {
    return this.#take<OrderBounds>(market) ?? this.#askBounds(market);
  }

  async #askBounds(market: string): Promise<OrderBounds> {
    const reply = await this.#ask({ kind: 'bounds', market });
    return (reply as Extract<OrdersReply, { kind: 'bounds' }>).bounds;
  }

  async study(market: string, filter: OrderFilter): Promise<OrderStudy> {
    const ready = this.#take<OrderStudy>(keyOf(market, filter));
    if (ready) return ready;
    const reply = await this.#ask({ kind: 'study', market, filter });
    return (reply as Extract<OrdersReply, { kind: 'study' }>).study;
  }

  async bunching(
    market: string,
    filter: OrderFilter,
    question: BunchingQuestion,
    progress: (share: number) => void,
  ): Promise<BunchingResult> {
    const reply = await this.#ask({ kind: 'bunching', market, filter, question }, progress);
    return (reply as Extract<OrdersReply, { kind: 'bunching' }>).result;
  }

  async condition(market: string, condition: Condition, on: ConditionSources): Promise<ConditionOnOrders> {
    const reply = await this.#ask({ kind: 'condition', market, condition, on });
    return (reply as Extract<OrdersReply, { kind: 'condition' }>).result;
  }

  #take<T>(question: string): Promise<T> | undefined {
    const ready = this.#ahead.get(question) as Promise<T> | undefined;
    this.#ahead.delete(question);
    return ready;
  }

  /** Orders have changed on the server. */
  forget(): void {
    this.#ahead.clear();
    this.#worker.postMessage({ kind: 'forget', number: 0 });
  }

  #ask(request: Asked<OrdersRequest>, progress?: (share: number) => void): Promise<OrdersReply> {
    const number = ++this.#number;
    return new Promise((resolve, reject) => {
      this.#waiting.set(number, { resolve, reject, ...(progress ? { progress } : {}) });
      this.#worker.postMessage({ ...request, number });
    });
  }
}

const keyOf = (market: string, filter: OrderFilter) => JSON.stringify([market, filter]);

declare global {
  interface Window {
    summantOrders?: OrdersWorker;
  }
}

/** The page's one worker that holds orders. */
export function ordersWorker(): OrdersWorker {
  return (window.summantOrders ??= new OrdersWorker());
}
