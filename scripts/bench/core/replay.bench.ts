import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { orderOfValue } from '../../../src/core/cart/hypothetical-order.ts';
import { compilePolicy } from '../../../src/core/evaluation/compile.ts';
import { evaluateHypothetical } from '../../../src/core/evaluation/evaluate.ts';
import { emptyColumns } from '../../../src/core/orders/columns.ts';
import type { ReplayPlaces } from '../../../src/core/orders/replay/replay-places.ts';
import { replayOrders, type ReplayedOrders } from '../../../src/core/orders/replay/replay.ts';
import type { OrderShipments } from '../../../src/core/orders/replay/shipments.ts';
import { normal, seededRandom } from '../../../src/core/statistics/random.ts';
import type { Bar } from '../bar.ts';

const orders = 1_000_000;
const instant = Date.parse('2026-11-24T11:00Z');

/** A million orders through draft and release, against the time that the core's own rate of evaluation makes of them. */
export async function bars(): Promise<Bar[]> {
  const random = seededRandom(11);
  const columns = emptyColumns(orders, ['', 'deat-door', 'deat-parcel-shop', 'deat-express']);
  for (let i = 0; i < orders; i++) {
    columns.goods[i] = Math.max(
      1,
      Math.round(Math.exp(Math.log(random() < 0.6 ? 4400 : 9500) + 0.35 * normal(random))),
    );
    columns.option[i] = Math.floor(random() * 4);
    columns.shopper[i] = Math.floor(random() * 3);
  }
  const changed = {
    ...demoPolicy,
    offers: { ...demoPolicy.offers, 'two-steps': { ...demoPolicy.offers['two-steps']!, on: false } },
  };
  const zone = (policy: typeof demoPolicy) => compilePolicy(policy).markets.get('deat')!.zones[0]!;
  const [draft, release] = [zone(changed), zone(demoPolicy)];
  const situation = { destination: { country: 'DE', postcode: '' }, instant };
  const evaluated = (count: number) => {
    const begun = performance.now();
    for (let i = 0; i < count; i++)
      evaluateHypothetical(i % 2 === 0 ? draft : release, orderOfValue(columns.goods[i % orders]!), situation);
    return performance.now() - begun;
  };
  evaluated(20_000);
  const each = evaluated(200_000) / 200_000;
  const places = { ofOption: () => ({ draft, release }), ofDestination: () => ({ draft, release }) };
  const postcodes = 5000;
  const shipments: OrderShipments = {
    places: Array.from({ length: postcodes }, (_, i) => ['DE', '', String(10_000 + i * 17)] as const),
    place: Uint32Array.from({ length: orders }, () => Math.floor(random() * postcodes)),
    grams: Uint32Array.from({ length: orders }, () => Math.round(Math.exp(7 + normal(random)))),
    codes: [''],
    code: new Uint32Array(orders),
  };
  return [
    ...timed('', { columns, shipments: null }, places, each),
    ...timed(' to their postcodes, with their weights', { columns, shipments }, places, each),
  ];
}

/** @param each ms of one evaluation */
function timed(how: string, replayed: ReplayedOrders, places: ReplayPlaces, each: number): Bar[] {
  const longest: number[] = [];
  let last = performance.now();
  const begun = performance.now();
  const replay = replayOrders(replayed, places, instant, 1, () => {
    longest.push(performance.now() - last);
    last = performance.now();
  });
  const took = performance.now() - begun;
  const ratio = took / (2 * orders * each);
  return [
    {
      name: `replay of 1,000,000 orders${how}, ${new Set(replayed.columns.goods).size} values, ${replay.less + replay.more} of them changed`,
      measured: `${took.toFixed(0)} ms, ${ratio.toFixed(3)} × two evaluations each`,
      required: '≤ 1.4 ×',
      held: ratio <= 1.4,
    },
    {
      name: `replay${how}, longest without a word of progress`,
      measured: `${Math.max(...longest).toFixed(0)} ms`,
      required: '< 200 ms',
      held: Math.max(...longest) < 200,
    },
  ];
}
