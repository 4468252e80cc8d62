import { proxy, wrap, type Remote } from 'comlink';
import type { ChargedOrders } from '../../../core/charged/charged-orders.ts';
import type { ImportMapping } from '../../../core/imports/mapping.ts';
import { ordersClient } from '../orders-client.ts';
import { untilAnswered } from '../until-answered.ts';
import type { Comparing, RulesAsked } from './charged.worker.ts';
import type { FoundRules, Reading } from './reading.worker.ts';
import type { TellShare } from './sometimes.ts';

/** Something that is looked for in orders: what comes of it, and a way to stop before. */
export interface UnderWay<Found> {
  done: Promise<Found>;
  stop: () => void;
}

const readingWorker = () => new Worker(new URL('./reading.worker.ts', import.meta.url), { type: 'module' });
const chargedWorker = () => new Worker(new URL('./charged.worker.ts', import.meta.url), { type: 'module' });

/** Reads rules from a file of orders, in a store that has none yet. @param timeZone of the store @param tell told the share done */
export const readRulesOfFile = (
  file: File,
  mapping: ImportMapping,
  timeZone: string,
  tell: TellShare,
): UnderWay<FoundRules> =>
  begun<Reading, FoundRules>(readingWorker(), (worker, news) => worker.file(file, mapping, timeZone, news), tell);

/** Reads rules from the past orders of a market. */
export const readRulesOfMarket = (market: string, currency: string, tell: TellShare): UnderWay<FoundRules> =>
  begun<Reading, FoundRules>(
    readingWorker(),
    (worker, news) => worker.market(market, currency, ordersClient().port(), news),
    tell,
  );

/** Compares the past orders of a market with the rules of their day. */
export const compareWithRules = (asked: RulesAsked, tell: TellShare): UnderWay<ChargedOrders> =>
  begun<Comparing, ChargedOrders>(
    chargedWorker(),
    (worker, news) => worker.compare(asked, ordersClient().port(), news),
    tell,
  );

function begun<Answering, Found>(
  worker: Worker,
  ask: (answering: Remote<Answering>, news: TellShare) => Promise<Found>,
  tell: TellShare,
): UnderWay<Found> {
  const broken = new Promise<never>((_, reject) => {
    worker.addEventListener('error', () => reject(new Error('What looks through the orders could not be started')));
  });
  const asked = untilAnswered<number, Found>((news) => ask(wrap<Answering>(worker), proxy(news)), tell);
  const stop = () => worker.terminate();
  return { done: Promise.race([asked, broken]).finally(stop), stop };
}
