import { proxy, wrap } from 'comlink';
import type { ImportMapping } from '../../../core/imports/mapping.ts';
import { untilAnswered } from '../until-answered.ts';
import type { FoundRules, Reading, TellShare } from './reading.worker.ts';

/** Rules being read: what comes of it, and a way to stop before. */
export interface UnderWay {
  done: Promise<FoundRules>;
  stop: () => void;
}

/** Reads rules from a file of orders, in a store that has none yet. @param timeZone of the store @param tell told the share done */
export function readRulesOfFile(file: File, mapping: ImportMapping, timeZone: string, tell: TellShare): UnderWay {
  return begun((worker) =>
    untilAnswered((news) => wrap<Reading>(worker).file(file, mapping, timeZone, proxy(news)), tell),
  );
}

/** @param ask of the worker */
export function begun(ask: (worker: Worker) => Promise<FoundRules>): UnderWay {
  const worker = new Worker(new URL('./reading.worker.ts', import.meta.url), { type: 'module' });
  const broken = new Promise<never>((_, reject) => {
    worker.addEventListener('error', () => reject(new Error('What reads the rules could not be started')));
  });
  const stop = () => worker.terminate();
  return { done: Promise.race([ask(worker), broken]).finally(stop), stop };
}
