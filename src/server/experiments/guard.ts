import { armLosingMargin } from '../../core/experiments/judge-experiment.ts';
import { experimentQuestion } from '../../core/experiments/question.ts';
import { studyExperiment } from '../../core/experiments/study-experiment.ts';
import { inOrder } from '../../core/ordered.ts';
import type { Experiment, Policy } from '../../core/policy/types.ts';
import { isUnavailable } from '../database/unavailable.ts';
import { log } from '../log.ts';
import { orderMonths, readOrderColumns } from '../orders/order-months.ts';
import { currentPolicy, type CurrentPolicy } from '../quote/current-policy.ts';
import { changingQuotes } from '../current-state.ts';

/** How often experiments are looked at that are to end by themselves, in seconds; 0: never. */
const every = (): number => Number(process.env.SUMMANT_EXPERIMENTS_EVERY ?? 60);

let watch: ReturnType<typeof setInterval> | null = null;
let running = false;
/** What was looked at already, by experiment: as long as its months are these, there is nothing new in them. */
const looked = new Map<string, string>();

/** Ends experiments of which an arm surely loses margin, where the store wants that, from now on. */
export function watchExperiments(): void {
  const seconds = every();
  if (seconds > 0) watch ??= setInterval(() => void endLosing(), seconds * 1000).unref();
}

async function endLosing(): Promise<void> {
  if (running) return;
  running = true;
  try {
    const current = await currentPolicy();
    if (current) for (const one of guarded(current, Date.now())) await endWhereLosing(current, one);
  } catch (error) {
    if (!isUnavailable(error)) log.error({ err: String(error) }, 'experiments could not be looked at');
  } finally {
    running = false;
  }
}

type Guarded = readonly [id: string, experiment: Experiment];

/** Those that go on, and are to end by themselves. */
const guarded = ({ compiled, experiments, ended }: CurrentPolicy, now: number): Guarded[] =>
  inOrder(compiled.policy.experiments ?? {}).filter(
    ([id, { guard, market }]) => guard && experiments.goingOn(market, now, ended) === id,
  );

async function endWhereLosing(
  { compiled: { policy }, release }: CurrentPolicy,
  [id, experiment]: Guarded,
): Promise<void> {
  const study = await newlyRead(policy, [id, experiment], release);
  const losing = study && armLosingMargin(study);
  if (!losing) return;
  const { low, high } = losing.difference;
  await changingQuotes((connection) =>
    connection.query(
      'INSERT IGNORE INTO experiment_end (experiment_id, ended_at, arm_id, low, high) VALUES (?, UTC_TIMESTAMP(3), ?, ?, ?)',
      [id, losing.id, low, high],
    ),
  );
  log.info({ experiment: id, arm: losing.id }, 'an experiment ended: an arm surely loses margin');
}

/** What its orders say; null where they have said it before. */
async function newlyRead(policy: Policy, [id, experiment]: Guarded, release: number) {
  const { currency } = policy.markets[experiment.market]!;
  const { timeZone } = policy.store;
  const months = (await orderMonths(experiment.market, currency, timeZone)).filter(
    ({ month }) => month >= monthBefore(experiment.from),
  );
  const seen = `${release} ${months.map(({ hash }) => hash).join(' ')}`;
  if (looked.get(id) === seen) return null;
  const columns = await readOrderColumns(experiment.market, currency, timeZone, monthBefore(experiment.from));
  looked.set(id, seen);
  return studyExperiment(columns, experimentQuestion(policy, id, experiment));
}

/** The first of the month before: a day on the store’s clock may lie in the month beside it on the clock that months are kept by. */
const monthBefore = (date: string): string =>
  new Date(Date.UTC(Number(date.slice(0, 4)), Number(date.slice(5, 7)) - 2, 1)).toISOString().slice(0, 10);
