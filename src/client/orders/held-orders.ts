import { expose, transfer } from 'comlink';
import { compileTerms } from '../../core/markets/terms.ts';
import { measureBunching, type BunchingQuestion, type BunchingResult } from '../../core/orders/bunching.ts';
import { paceOf, type Pace } from '../../core/experiments/planning/pace.ts';
import {
  studyExperiment,
  type ExperimentQuestion,
  type ExperimentStudy,
} from '../../core/experiments/study-experiment.ts';
import type { OrderColumns } from '../../core/orders/columns.ts';
import { conditionOnOrders, type ConditionOnOrders } from '../../core/orders/condition-on-orders.ts';
import type { Distribution } from '../../core/orders/distribution.ts';
import type { OrderMonth } from '../../core/orders/months.ts';
import type { ReplayedOrders } from '../../core/orders/replay/replay.ts';
import { boundsOf, studyOrders, type OrderBounds, type OrderStudy } from '../../core/orders/study.ts';
import { monthsOf } from '../../core/orders/period-months.ts';
import { allOrders, tallyOf, type OrderFilter } from '../../core/orders/tally.ts';
import type { Assumption, Condition, Market, Policy } from '../../core/policy/types.ts';
import { bestGoal, type GoalAdvice, type NoAdvice } from '../../core/goal-moves/best-goal.ts';
import { chanceOf, type Chance } from '../../core/goal-moves/chance.ts';
import { measuredOver, type GoalOverTime, type MeasuredOrders } from '../../core/goal-moves/measured-orders.ts';
import { moveTerms, optionShares, type OptionShare } from '../../core/goal-moves/move-terms.ts';
import { measuredEnd } from '../../core/goal-moves/measured-end.ts';
import type { FigureId } from '../../core/results/figures/registry.ts';
import type { Window } from '../../core/results/matched-weeks.ts';
import type { ExpectedResults } from '../../core/results/asked/asking.ts';
import { seriesOf, type SeriesPoint } from '../../core/results/series.ts';
import {
  panelsOf,
  studyChange,
  termsOf,
  type ChangeQuestion,
  type ChangeStudy,
  type MarketPanels,
  type Windows,
} from '../../core/results/study-change.ts';
import { dayNumber } from '../../core/time/day.ts';
import { keyOf, type ExpectedAnswer, type QuestionKey } from './expected-answers.ts';
import { beingChanged, mostTries, readMonths, readOrders, readShipments, type ReadOrders } from './read-orders.ts';

/** Of the draft, what a condition is tried on orders with. */
export interface ConditionSources extends Pick<Policy, 'store' | 'rates' | 'qualifiers'> {
  market: Market;
  /** zones of delivery options, by id */
  zoneOf: Record<string, string>;
}

/** Orders as a goal measures them, and what else moves of it are weighed with. */
export interface MeasuredFor {
  orders: MeasuredOrders[];
  options: OptionShare[];
  /** up to where candidates are looked at, in the measure */
  end: number;
}

export interface ChanceAsked {
  goal: GoalOverTime;
  present: number | null;
  candidates: readonly (number | null)[];
  end: number;
  /** length of the period */
  months: number;
  assumption: Assumption | undefined;
}

export interface BestAsked {
  goal: GoalOverTime;
  present: number | null;
  assumption: Assumption | undefined;
}

export interface BestFound {
  advice: { ok: true; advice: GoalAdvice } | { ok: false; because: NoAdvice };
  orders: number;
  /** null: not enough weeks to say */
  pace: Pace | null;
}

/** So many markets are held however many orders they have, and more as long as these are no more orders than that. */
const mostHeld = 4;
const mostOrders = 3_000_000;
const mostParts = 100;
/** Twelve whole weeks lie in the last so many months. */
const monthsOfPace = 4;

/** Holds the orders of the markets looked at last as columns, and looks through them: in a worker, away from the page. */
export class HeldOrders {
  readonly #held = new Map<string, Promise<ReadOrders>>();
  /** orders around a change, of markets that are only compared with */
  readonly #parts = new Map<`${string} ${number} ${number} ${number}`, Promise<OrderColumns>>();
  /** answers that a page will ask for; each is taken once */
  readonly #expected = new Map<QuestionKey, Promise<unknown>>();
  /** of the markets that have been read */
  readonly #orders = new Map<string, number>();

  /** A market's orders. @param months where they have been named already */
  async columns(market: string, months?: readonly OrderMonth[]): Promise<OrderColumns> {
    return (await this.#read(market, months)).columns;
  }

  /** The same with where they went and what they weighed. @throws Error in words */
  async shipped(market: string): Promise<ReplayedOrders> {
    for (let tries = 1; tries <= mostTries; tries++) {
      const orders = await this.#read(market);
      const shipments = await readShipments(market, orders);
      if (shipments) return { columns: orders.columns, shipments };
      this.#held.delete(market);
    }
    throw new Error(beingChanged);
  }

  #read(market: string, months?: readonly OrderMonth[]): Promise<ReadOrders> {
    const held = this.#held.get(market);
    if (held) return held;
    const read = readOrders(market, months);
    this.#held.set(market, read);
    read.then(
      ({ columns }) => {
        this.#orders.set(market, columns.count);
        this.#letGo(market);
      },
      () => this.#held.get(market) === read && this.#held.delete(market),
    );
    return read;
  }

  /** Keeps the room that orders take within bounds: what was read first goes first. */
  #letGo(latest: string): void {
    const all = () => [...this.#held.keys()].reduce((sum, one) => sum + (this.#orders.get(one) ?? 0), 0);
    for (const oldest of this.#held.keys())
      if (this.#held.size > mostHeld && oldest !== latest && all() > mostOrders) this.#held.delete(oldest);
  }

  async bounds(market: string, months?: readonly OrderMonth[]): Promise<OrderBounds> {
    return boundsOf(await this.columns(market, months));
  }

  async study(market: string, filter: OrderFilter): Promise<OrderStudy> {
    const study = studyOrders(await this.columns(market), filter);
    const { values, cumulative, paying, paid, paidSquares, free } = study.tally;
    const arrays = [
      values,
      cumulative,
      paying,
      paid,
      paidSquares,
      free,
      ...(study.density ? [study.density.heights] : []),
    ];
    return transfer(
      study,
      arrays.map(({ buffer }) => buffer as ArrayBuffer),
    );
  }

  /** Null where the market's orders are not held. */
  async distribution(market: string): Promise<Distribution | null> {
    const held = await this.#held.get(market);
    if (!held) return null;
    const { values, cumulative, orders } = tallyOf(held.columns, allOrders);
    return { values, cumulative, orders };
  }

  /** @param progress told the share done */
  async bunching(
    market: string,
    filter: OrderFilter,
    question: BunchingQuestion,
    progress: (share: number) => void,
  ): Promise<BunchingResult> {
    return measureBunching(tallyOf(await this.columns(market), filter), question, 1, progress);
  }

  /** Orders as a goal measures them, apart by which was in force. */
  async measured(market: string, filter: OrderFilter, goal: GoalOverTime): Promise<MeasuredFor> {
    const columns = await this.columns(market);
    const orders = measuredOver(columns, filter, goal);
    return { orders, options: optionShares(columns, filter), end: measuredEnd(orders) };
  }

  /** How far chance moves what a goal would bring, candidate by candidate. */
  async chance(market: string, filter: OrderFilter, asked: ChanceAsked): Promise<Chance> {
    const columns = await this.columns(market);
    const orders = measuredOver(columns, filter, asked.goal);
    return chanceOf(orders, asked.months, asked, moveTerms(asked.assumption, optionShares(columns, filter)));
  }

  /** Where a goal would stand best, and at which pace the market sells. */
  async bestGoal(market: string, { goal, present, assumption }: BestAsked): Promise<BestFound> {
    const columns = await this.columns(market);
    const orders = measuredOver(columns, allOrders, goal);
    const terms = moveTerms(assumption, optionShares(columns, allOrders));
    const bounds = boundsOf(columns);
    const advice = bestGoal(orders, monthsOf(allOrders, bounds), { present, end: measuredEnd(orders) }, terms);
    return { advice, orders: bounds.orders, pace: paceOf(columns, terms.response.margin) };
  }

  async condition(market: string, condition: Condition, on: ConditionSources): Promise<ConditionOnOrders> {
    const { market: terms, store, rates, qualifiers, zoneOf } = on;
    return conditionOnOrders(await this.columns(market), condition, {
      qualifiers,
      terms: compileTerms(terms, { id: market, store, ...(rates ? { rates } : {}) }),
      country: terms.countries[0] ?? '',
      zoneOf: (option) => zoneOf[option] ?? '',
    });
  }

  /** Looks through the orders that a page will ask for. @param tell told each answer; what goes wrong is told to who asks */
  expectResults({ market, question, others }: ExpectedResults, tell: (answer: ExpectedAnswer) => void): void {
    const expect = (expected: QuestionKey, answer: Promise<unknown>) => {
      this.#expected.set(expected, answer);
      answer.then(
        (found) => tell({ expected, answer: found }),
        () => {},
      );
    };
    expect(keyOf('change', market, question), this.change(market, question));
    for (const other of others)
      expect(keyOf('panels', other.market, other.question), this.panels(other.market, other.question));
  }

  async change(market: string, question: ChangeQuestion): Promise<ChangeStudy> {
    return (
      this.#takeExpected<ChangeStudy>(keyOf('change', market, question)) ??
      studyChange(await this.#around(market, question.windows), question)
    );
  }

  /** The figures of a market that another is compared with. */
  async panels(market: string, question: ChangeQuestion): Promise<MarketPanels> {
    return (
      this.#takeExpected<MarketPanels>(keyOf('panels', market, question)) ??
      panelsOf(await this.#around(market, question.windows), question)
    );
  }

  #takeExpected<T>(key: QuestionKey): Promise<T> | undefined {
    const answer = this.#expected.get(key) as Promise<T> | undefined;
    this.#expected.delete(key);
    return answer;
  }

  /** What the orders of an experiment say. Only the months that it has gone on in are read. */
  async experiment(market: string, question: ExperimentQuestion): Promise<ExperimentStudy> {
    const { days } = question;
    return studyExperiment(await this.#around(market, { before: days, after: days }), question);
  }

  /** How a market sells, to plan with: only its last months are read. */
  async pace(market: string, margin: number): Promise<Pace | null> {
    const named = await readMonths(market);
    return paceOf((await readOrders(market, named.slice(-monthsOfPace))).columns, margin);
  }

  /** Orders of two windows, and more: where not all are held already, the months that the windows lie in are read. */
  async #around(market: string, { before, after }: Windows): Promise<OrderColumns> {
    const held = this.#held.get(market);
    if (held) return (await held).columns;
    // A day on the store’s clock may lie in the month beside it on the clock that months are kept by.
    const within = ({ month }: OrderMonth) => {
      const first = dayNumber(month)!;
      return (first - 1 < after.to && first + 32 > after.from) || (first - 1 < before.to && first + 32 > before.from);
    };
    const key = `${market} ${before.from} ${before.to} ${after.to}` as const;
    const known = this.#parts.get(key);
    if (known) return known;
    const read = readMonths(market)
      .then((all) => readOrders(market, all.filter(within)))
      .then(({ columns }) => columns);
    this.#parts.set(key, read);
    read.catch(() => this.#parts.delete(key));
    for (const oldest of this.#parts.keys()) if (this.#parts.size > mostParts) this.#parts.delete(oldest);
    return read;
  }

  async series(
    market: string,
    question: ChangeQuestion,
    { figure, days, step }: { figure: FigureId; days: Window; step: 'day' | 'week' },
  ): Promise<SeriesPoint[]> {
    const columns = await this.columns(market);
    return seriesOf(columns, figure, termsOf(columns, question), days, step);
  }

  /** Orders have changed on the server. */
  forget(): void {
    this.#held.clear();
    this.#orders.clear();
    this.#parts.clear();
    this.#expected.clear();
  }

  /** Answers another worker too. */
  answer(port: MessagePort): void {
    expose(this, port);
  }
}
