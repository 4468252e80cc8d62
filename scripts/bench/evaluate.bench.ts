import { isDeepStrictEqual } from 'node:util';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { evaluate } from '../../src/core/evaluation/evaluate.ts';
import { median, type Bar } from './bar.ts';
import { answerByHand, type Answer } from './evaluate/by-hand.ts';
import { decideByRules, rulesEngine } from './evaluate/by-rules-engine.ts';
import { mixedCarts } from './evaluate/carts.ts';

const rounds = 9;

/** Carts a second, the three ways interleaved so that each meets the same machine. */
export async function bars(): Promise<Bar[]> {
  const compiled = compilePolicy(demoPolicy);
  const carts = mixedCarts(20_000);
  for (const input of carts) {
    const [engine, hand] = [asAnswer(evaluate(compiled, input)), answerByHand(input)];
    if (!isDeepStrictEqual(engine, hand)) throw new Error(`engine and hand-written function disagree: ${JSON.stringify([input, engine, hand])}`);
  }
  const rules = rulesEngine();
  const few = carts.slice(0, 500);
  const rates = { engine: [] as number[], hand: [] as number[], rules: [] as number[] };
  let sink = 0;
  for (let round = 0; round < rounds; round++) {
    rates.engine.push(rate(carts.length * 5, () => { for (let i = 0; i < 5; i++) for (const input of carts) sink += evaluate(compiled, input).total; }));
    rates.hand.push(rate(carts.length * 5, () => { for (let i = 0; i < 5; i++) for (const input of carts) sink += answerByHand(input).total; }));
    const start = performance.now();
    for (const input of few) sink += await decideByRules(rules, input);
    rates.rules.push((few.length * 1000) / (performance.now() - start));
  }
  if (!Number.isFinite(sink)) throw new Error('nothing was computed');
  const [engine, hand, general] = [median(rates.engine), median(rates.hand), median(rates.rules)];
  return [
    { name: 'evaluate, against a function written for the demo policy', measured: `${(hand / engine).toFixed(2)}× its time (${Math.round(engine / 1000)} k/s)`, required: 'at most 2×', held: hand / engine <= 2 },
    { name: 'evaluate, against a general JSON rules engine', measured: `${Math.round(engine / general)}× as fast`, required: 'at least 50×', held: engine / general >= 50 },
    await memory(() => { for (const input of carts) sink += evaluate(compiled, input).total; }, carts.length),
  ];
}

function rate(count: number, work: () => void): number {
  const start = performance.now();
  work();
  return (count * 1000) / (performance.now() - start);
}

/** A million evaluations: the longest garbage collection, and whether memory grows. */
async function memory(batch: () => void, size: number): Promise<Bar> {
  const { PerformanceObserver } = await import('node:perf_hooks');
  const pauses: number[] = [];
  const observer = new PerformanceObserver((list) => pauses.push(...list.getEntries().map(({ duration }) => duration)));
  observer.observe({ entryTypes: ['gc'] });
  const used: number[] = [];
  for (let done = 0; done < 1_000_000; done += size) {
    batch();
    await new Promise((resolve) => setImmediate(resolve));
    used.push(process.memoryUsage().heapUsed);
  }
  await new Promise((resolve) => setTimeout(resolve, 50));
  observer.disconnect();
  const longest = Math.max(0, ...pauses);
  const half = used.length / 2;
  const growth = Math.min(...used.slice(half)) / Math.min(...used.slice(0, half));
  return { name: 'a million evaluations: longest collection, memory', measured: `${longest.toFixed(1)} ms, ${growth.toFixed(2)}×`, required: '≤ 20 ms, flat (≤ 1.1×)', held: longest <= 20 && growth <= 1.1 };
}

function asAnswer(evaluation: ReturnType<typeof evaluate>): Answer {
  const goal = evaluation.offers[0]?.goals[0];
  return {
    market: evaluation.marketId,
    options: evaluation.options.map(({ optionId, before, after, tax }) => ({ id: optionId, before, after, tax })),
    remaining: goal?.remaining ?? null,
    percent: goal?.percent ?? null,
    preselected: evaluation.preselected,
    total: evaluation.total,
  };
}
