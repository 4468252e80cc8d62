import { PerformanceObserver } from 'node:perf_hooks';
import { isDeepStrictEqual } from 'node:util';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { compilePolicy } from '../../../src/core/evaluation/compile.ts';
import { evaluate } from '../../../src/core/evaluation/evaluate.ts';
import { median, type Bar } from '../bar.ts';
import type { Answer } from './evaluate/by-hand/answer.ts';
import { answerByHand } from './evaluate/by-hand/answer-by-hand.ts';
import { decideByRules, factsOf, rulesEngine } from './evaluate/by-rules-engine.ts';
import { mixedCarts } from './evaluate/carts.ts';

const practice = 8;
const rounds = 15;
const slice = 1000;

setFlagsFromString('--expose-gc');
const collect = runInNewContext('gc') as () => void;

/**
 * Carts a second, by turns in slices so short that both meet the same machine; the rules engine comes after them, and what it
 * leaves is collected before the next round.
 */
export async function bars(): Promise<Bar[]> {
  const compiled = compilePolicy(demoPolicy);
  const carts = mixedCarts(20_000);
  for (const input of carts) {
    const [engine, hand] = [asAnswer(evaluate(compiled, input)), answerByHand(input)];
    if (!isDeepStrictEqual(engine, hand))
      throw new Error(`engine and hand-written function disagree: ${JSON.stringify([input, engine, hand])}`);
  }
  const rules = rulesEngine(compiled);
  const few = carts.slice(0, 300).map((input) => factsOf(compiled, input));
  const rates = { engine: [] as number[], hand: [] as number[], rules: [] as number[] };
  let sink = 0;
  // Both are well practised before they are compared.
  for (let round = -practice; round < rounds; round++) {
    collect();
    const spent = { engine: 0, hand: 0 };
    for (let first = 0; first < carts.length; first += slice) {
      const some = carts.slice(first, first + slice);
      const engine = () => {
        for (const input of some) sink += evaluate(compiled, input).options.length;
      };
      const hand = () => {
        for (const input of some) sink += answerByHand(input).options.length;
      };
      if (Math.abs(round + first / slice) % 2 === 0) spent.engine += time(engine);
      spent.hand += time(hand);
      if (Math.abs(round + first / slice) % 2 !== 0) spent.engine += time(engine);
    }
    if (round < 0) continue;
    rates.engine.push((carts.length * 1000) / spent.engine);
    rates.hand.push((carts.length * 1000) / spent.hand);
    const start = performance.now();
    for (const facts of few) sink += await decideByRules(rules, facts);
    rates.rules.push((few.length * 1000) / (performance.now() - start));
  }
  if (!Number.isFinite(sink)) throw new Error('nothing was computed');
  const [engine, hand, general] = [median(rates.engine), median(rates.hand), median(rates.rules)];
  return [
    {
      name: 'evaluate, against a function written for the demo policy',
      measured: `${(hand / engine).toFixed(2)}× its time (${Math.round(engine / 1000)} k/s)`,
      required: 'at most 1.8×',
      held: hand / engine <= 1.8,
    },
    {
      name: 'evaluate, against a general JSON rules engine',
      measured: `${Math.round(engine / general)}× as fast`,
      required: 'at least 50×',
      held: engine / general >= 50,
    },
    await memory(() => {
      for (const input of carts) sink += evaluate(compiled, input).options.length;
    }, carts.length),
  ];
}

function time(work: () => void): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}

/** A million evaluations: the longest garbage collection on the way, and what is still held afterwards. */
async function memory(batch: () => void, size: number): Promise<Bar> {
  const pauses: number[] = [];
  const observer = new PerformanceObserver((list) => pauses.push(...list.getEntries().map(({ duration }) => duration)));
  batch();
  collect();
  const before = process.memoryUsage().heapUsed;
  await new Promise((resolve) => setTimeout(resolve, 50));
  observer.observe({ entryTypes: ['gc'] });
  for (let done = 0; done < 1_000_000; done += size) {
    batch();
    await new Promise((resolve) => setImmediate(resolve));
  }
  await new Promise((resolve) => setTimeout(resolve, 50));
  observer.disconnect();
  collect();
  const longest = Math.max(0, ...pauses);
  const growth = process.memoryUsage().heapUsed / before;
  return {
    name: 'a million evaluations: longest collection, memory held',
    measured: `${longest.toFixed(1)} ms, ${growth.toFixed(2)}×`,
    required: '≤ 20 ms, flat (≤ 1.1×)',
    held: longest <= 20 && growth <= 1.1,
  };
}

function asAnswer(evaluation: ReturnType<typeof evaluate>): Answer {
  return {
    market: evaluation.marketId,
    zone: evaluation.zoneId,
    options: evaluation.options.map(({ optionId, before, after, tax, estimate }) => ({
      id: optionId,
      before,
      after,
      tax,
      leaves: estimate.unit === 'hours' ? estimate.starts : estimate.leaves,
      earliest: estimate.earliest,
      latest: estimate.latest,
    })),
    offers: evaluation.offers.map(({ offerId, status, goals }) => ({
      id: offerId,
      status,
      goals: goals.map(({ counted, remaining, percent, reached }) => ({ counted, remaining, percent, reached })),
    })),
    lead: evaluation.lead && { offer: evaluation.lead.speakerId, state: evaluation.lead.state },
    gifts: evaluation.gifts.map(({ product, quantity }) => ({ product, quantity })),
    preselected: evaluation.preselected,
    totals: evaluation.totals,
  };
}
