import { proxy, transfer, wrap, type Remote } from 'comlink';
import type { BunchingQuestion, BunchingResult } from '../../core/orders/bunching.ts';
import type { Pace } from '../../core/experiments/planning/pace.ts';
import type { ExperimentQuestion, ExperimentStudy } from '../../core/experiments/study-experiment.ts';
import type { ConditionOnOrders } from '../../core/orders/condition-on-orders.ts';
import { distributionOf, type Distribution } from '../../core/orders/distribution.ts';
import type { OrderBounds, OrderStudy } from '../../core/orders/study.ts';
import type { OrderFilter } from '../../core/orders/tally.ts';
import type { Condition } from '../../core/policy/types.ts';
import type { SeriesPoint } from '../../core/results/series.ts';
import type { ChangeQuestion, ChangeStudy, MarketPanels } from '../../core/results/study-change.ts';
import type { Chance } from '../../core/goal-moves/chance.ts';
import type { GoalOverTime } from '../../core/goal-moves/measured-orders.ts';
import type { BestAsked, BestFound, ChanceAsked, ConditionSources, HeldOrders, MeasuredFor } from './held-orders.ts';
import { call } from '../http.ts';
import { keyOf, type QuestionKey } from './expected-answers.ts';
import { readMonths } from './read-orders.ts';
import type { ReplayRequest, TellReplay } from './replay-messages.ts';
import type { Replaying } from './replay.worker.ts';
import { untilAnswered } from './until-answered.ts';

/** Ends with an error when the worker cannot be loaded, or breaks outside of an answer. */
function brokenOf(worker: Worker): Promise<never> {
  const broken = new Promise<never>((_, reject) => {
    worker.addEventListener('error', () => reject(new Error('What looks through the orders could not be started')));
  });
  broken.catch(() => {});
  return broken;
}

/**
 * All that a page asks of past orders: answered from the columns that its worker holds. Who asks knows whether the answer is
 * still wanted.
 */
export class OrdersClient {
  #connection: { orders: Remote<HeldOrders>; broken: Promise<never> } | null = null;
  /** answers asked for before anybody wanted them, by question; each is taken once */
  readonly #ahead = new Map<string, Promise<unknown>>();

  /** The worker, started when orders are asked for first, or by the page before. */
  get #worker() {
    if (this.#connection) return this.#connection;
    const worker =
      window.summantOrdersWorker ?? new Worker(new URL('./orders.worker.ts', import.meta.url), { type: 'module' });
    return (this.#connection = { orders: wrap<HeldOrders>(worker), broken: brokenOf(worker) });
  }

  get #orders(): Remote<HeldOrders> {
    return this.#worker.orders;
  }

  /** Asks for a market and what the address looks at in it, to have it when the view asks. What goes wrong is told then. */
  lookAhead(market: string, filter: (bounds: OrderBounds) => OrderFilter): void {
    const { orders } = this.#worker;
    const bounds = readMonths(market).then((months) => this.#answer(orders.bounds(market, months)));
    this.#ahead.set(market, bounds);
    bounds.then(
      (known) => {
        const wanted = filter(known);
        const study = this.study(market, wanted);
        study.catch(() => {});
        this.#ahead.set(filteredOf(market, wanted), study);
      },
      () => {},
    );
  }

  bounds(market: string): Promise<OrderBounds> {
    return this.#take<OrderBounds>(market) ?? this.#answer(this.#orders.bounds(market));
  }

  study(market: string, filter: OrderFilter): Promise<OrderStudy> {
    return this.#take<OrderStudy>(filteredOf(market, filter)) ?? this.#answer(this.#orders.study(market, filter));
  }

  /** Counted from the orders where they are held; their values alone are read where they are not. @throws Error in words */
  async distribution(market: string): Promise<Distribution> {
    const held = this.#connection && (await this.#answer(this.#orders.distribution(market)));
    if (held) return held;
    const answer = await call('GET /api/orders/values', { query: { market } });
    if (!answer.ok) throw new Error(answer.problem.title);
    return distributionOf(answer.body);
  }

  /** @param progress told the share done */
  bunching(
    market: string,
    filter: OrderFilter,
    question: BunchingQuestion,
    progress: (share: number) => void,
  ): Promise<BunchingResult> {
    return untilAnswered(
      (tell) => this.#answer<BunchingResult>(this.#orders.bunching(market, filter, question, proxy(tell))),
      progress,
    );
  }

  condition(market: string, condition: Condition, on: ConditionSources): Promise<ConditionOnOrders> {
    return this.#answer(this.#orders.condition(market, condition, on));
  }

  change(market: string, question: ChangeQuestion): Promise<ChangeStudy> {
    return (
      takeExpected<ChangeStudy>(keyOf('change', market, question)) ??
      this.#answer(this.#orders.change(market, question))
    );
  }

  panels(market: string, question: ChangeQuestion): Promise<MarketPanels> {
    return (
      takeExpected<MarketPanels>(keyOf('panels', market, question)) ??
      this.#answer(this.#orders.panels(market, question))
    );
  }

  series(market: string, question: ChangeQuestion, drawn: Parameters<HeldOrders['series']>[2]): Promise<SeriesPoint[]> {
    return this.#answer(this.#orders.series(market, question, drawn));
  }

  experiment(market: string, question: ExperimentQuestion): Promise<ExperimentStudy> {
    return this.#answer(this.#orders.experiment(market, question));
  }

  measured(market: string, filter: OrderFilter, goal: GoalOverTime): Promise<MeasuredFor> {
    return this.#answer(this.#orders.measured(market, filter, goal));
  }

  chance(market: string, filter: OrderFilter, asked: ChanceAsked): Promise<Chance> {
    return this.#answer(this.#orders.chance(market, filter, asked));
  }

  bestGoal(market: string, asked: BestAsked): Promise<BestFound> {
    return this.#answer(this.#orders.bestGoal(market, asked));
  }

  pace(market: string, margin: number): Promise<Pace | null> {
    return this.#answer(this.#orders.pace(market, margin));
  }

  /** Replays orders. @returns `done`, and a way to stop before */
  replay(request: ReplayRequest, tell: TellReplay): { done: Promise<void>; stop: () => void } {
    const worker = new Worker(new URL('./replay.worker.ts', import.meta.url), { type: 'module' });
    const replayed = wrap<Replaying>(worker).replay(request, this.port(), proxy(tell));
    const stop = () => worker.terminate();
    return { done: Promise.race([replayed, brokenOf(worker), this.#worker.broken]).finally(stop), stop };
  }

  /** A way for another worker to ask for orders, to be handed over to it. */
  port(): MessagePort {
    const { port1, port2 } = new MessageChannel();
    void this.#orders.answer(transfer(port1, [port1]));
    return transfer(port2, [port2]);
  }

  /** Orders have changed on the server. */
  forget(): void {
    this.#ahead.clear();
    window.summantExpected?.clear();
    void this.#connection?.orders.forget();
  }

  #answer<T>(reply: Promise<T>): Promise<T> {
    return Promise.race([reply, this.#worker.broken]);
  }

  #take<T>(question: string): Promise<T> | undefined {
    const ready = this.#ahead.get(question) as Promise<T> | undefined;
    this.#ahead.delete(question);
    return ready;
  }
}

const filteredOf = (market: string, filter: OrderFilter) => JSON.stringify([market, filter]);

/** What the worker has answered before anybody asked. */
function takeExpected<T>(key: QuestionKey): Promise<T> | undefined {
  const answers = window.summantExpected;
  if (!answers?.has(key)) return undefined;
  const answer = answers.get(key) as T;
  answers.delete(key);
  return Promise.resolve(answer);
}

declare global {
  interface Window {
    summantOrders?: OrdersClient;
  }
}

/** The page's one client of its orders. */
export function ordersClient(): OrdersClient {
  return (window.summantOrders ??= new OrdersClient());
}
