import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { chargedOrders } from '../../../src/core/charged/charged-orders.ts';
import { compilePolicy } from '../../../src/core/evaluation/compile.ts';
import { evaluateHypothetical } from '../../../src/core/evaluation/evaluate.ts';
import { emptyColumns } from '../../../src/core/orders/columns.ts';
import { emptyShipments } from '../../../src/core/orders/replay/shipments.ts';
import { normal, seededRandom } from '../../../src/core/statistics/random.ts';
import type { Bar } from '../bar.ts';

const count = 200_000;
const days = 730;

/** Past orders beside the rules of their day, against the time that evaluating each of them takes. */
export function bars(): Bar[] {
  const random = seededRandom(23);
  const columns = emptyColumns(count, ['deat-door', 'deat-parcel-shop']);
  const shipments = emptyShipments(
    count,
    Array.from({ length: 5000 }, (_, i) => ['DE', '', String(10_000 + i * 17)] as const),
  );
  for (let i = 0; i < count; i++) {
    columns.goods[i] = Math.round(Math.exp(Math.log(6000) + 0.5 * normal(random)) / 5) * 5;
    columns.delivery[i] = random() < 0.5 ? 0 : 590;
    columns.day[i] = 20_000 + Math.floor((i * days) / count);
    columns.option[i] = Math.floor(random() * 2);
    columns.items[i] = 1 + Math.floor(random() * 4);
    columns.shopper[i] = Math.floor(random() * 3);
    shipments.place[i] = Math.floor(random() * 5000);
    shipments.grams[i] = Math.round(Math.exp(7 + normal(random)));
  }
  const compiled = compilePolicy(demoPolicy);
  const zone = compiled.markets.get('deat')!.zones[0]!;
  const evaluated = (some: number) => {
    const begun = performance.now();
    for (let i = 0; i < some; i++)
      evaluateHypothetical(
        zone,
        { value: columns.goods[i]!, items: columns.items[i]!, weight: shipments.grams[i]!, volume: 0, longestSide: 0 },
        { destination: { country: 'DE', postcode: '' }, instant: columns.day[i]! * 86_400_000 },
      );
    return performance.now() - begun;
  };
  evaluated(20_000);
  const each = evaluated(100_000) / 100_000;
  const longest: number[] = [];
  let last = performance.now();
  const begun = last;
  const found = chargedOrders(
    { currency: 'EUR', columns, shipments },
    'deat',
    [{ day: 0, compiled }],
    'Europe/Amsterdam',
    () => {
      longest.push(performance.now() - last);
      last = performance.now();
    },
  );
  const took = performance.now() - begun;
  const ratio = took / (count * each);
  return [
    {
      name: `${count} orders beside the rules of their day, ${found.compared - found.agree} charged otherwise`,
      measured: `${took.toFixed(0)} ms, ${ratio.toFixed(2)} × an evaluation each`,
      required: '≤ 1.4 ×',
      held: ratio <= 1.4,
    },
    {
      name: '  longest without a word of progress',
      measured: `${Math.max(...longest).toFixed(0)} ms`,
      required: '< 500 ms',
      held: Math.max(...longest) < 500,
    },
  ];
}
