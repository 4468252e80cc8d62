import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { sweepGoodsValue } from '../../src/core/sweep/sweep-goods-value.ts';
import { median, quantile, type Bar } from './bar.ts';

/** One frame for the sweep of a market: all options and goals. */
export async function bars(): Promise<Bar[]> {
  const zones = [...compilePolicy(demoPolicy).markets.values()].flatMap((market) => market.zones);
  const times: number[] = [];
  for (let run = 0; run < 2000; run++) {
    const zone = zones[run % zones.length]!;
    const start = performance.now();
    sweepGoodsValue(zone);
    times.push(performance.now() - start);
  }
  const worst = quantile(times, 0.999);
  return [{ name: 'sweep of one demo market, all options and goals', measured: `${median(times).toFixed(3)} ms, 99.9 % ${worst.toFixed(2)} ms`, required: '< 16 ms', held: worst < 16 }];
}
