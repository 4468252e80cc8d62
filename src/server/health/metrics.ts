import { collectDefaultMetrics, Counter, Gauge, Histogram } from 'prom-client';
import { connectionsOf, database, databaseHostInUse } from '../database/pool.ts';
import { figures } from '../carriers/quotes-for.ts';
import { log } from '../log.ts';
import { readHealth } from './health.ts';

/** What the process counts, in the text format of Prometheus. Served by the start on a port of its own, from the same registry. */

const calls = new Counter({
  name: 'summant_http_requests_total',
  help: 'Requests that were answered, by route as the contract writes it.',
  labelNames: ['method', 'route', 'status'],
});
const seconds = new Histogram({
  name: 'summant_http_request_seconds',
  help: 'Time until an answer began.',
  labelNames: ['route'],
  buckets: [0.001, 0.0025, 0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10],
});

export interface AnsweredRequest {
  method: string;
  route: string;
  status: number;
  ms: number;
}

/** Counts an answer, and logs it where that is wanted. */
export function noteAnswered({ method, route, status, ms }: AnsweredRequest): void {
  calls.inc({ method, route, status });
  seconds.observe({ route }, ms / 1000);
  log.info({ method, route, status, ms: Math.round(ms * 10) / 10 }, 'answered');
}

let underWay: Promise<void> | null = null;
/** Whoever asks has figures as they are then: all gauges wait for one look. */
const collected = (): Promise<void> => (underWay ??= collect().finally(() => (underWay = null)));
const gauge = (name: string, help: string, labelNames: string[] = []) =>
  new Gauge({ name, help, labelNames, collect: collected });

const connections = gauge('summant_database_connections', 'Connections of the pool, and work that waits for one.', [
  'state',
]);
const host = gauge('summant_database_host', '1 for the database host that is used.', ['host']);
const up = gauge('summant_database_up', '1 where the database answered when these figures were asked for.');
const carriers = gauge('summant_carriers', 'How often carriers were asked, and were silent, since the process began.', [
  'outcome',
]);
const release = gauge('summant_release', 'Number of the newest release; 0: none.');
const jobs = gauge('summant_imports_under_way', 'Imports that are being read or taken over.');
const outbox = gauge('summant_outbox_waiting', 'Calls to receivers that have not arrived yet.');
const failing = gauge('summant_receivers_failing', 'Receivers at which calls do not arrive.');
const surfaces = gauge('summant_surfaces_failing', 'Surfaces that could not be fetched the last time.');

async function collect(): Promise<void> {
  for (const [state, count] of Object.entries(connectionsOf(database()))) connections.set({ state }, count);
  host.reset();
  host.set({ host: databaseHostInUse() }, 1);
  carriers.set({ outcome: 'asked' }, figures.asked);
  carriers.set({ outcome: 'silent' }, figures.silent);
  try {
    const health = await readHealth();
    release.set(health.release ?? 0);
    jobs.set(health.importsUnderWay);
    outbox.set(health.outbox.waiting);
    failing.set(health.outbox.failing);
    surfaces.set(health.feeds.surfacesFailing);
    up.set(1);
  } catch {
    up.set(0);
  }
}

let begun = false;

/** Counts from now on. */
export function beginMetrics(): void {
  if (begun) return;
  begun = true;
  collectDefaultMetrics();
}
