import fc from 'fast-check';
import { expect, test } from 'vitest';
import { orderOfValue } from '../../src/core/cart/hypothetical-order.ts';
import { chargeOfPreset } from '../../src/core/charges/presets.ts';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { evaluateHypothetical } from '../../src/core/evaluation/evaluate.ts';
import { someoneIn } from '../../src/core/evaluation/someone-in.ts';
import { locate } from '../../src/core/geography/postcode-regions/region-of-postcode.ts';
import { destinationOfOrder } from '../../src/core/orders/destination-of-order.ts';
import { emptyColumns } from '../../src/core/orders/columns.ts';
import { replayPlacesOf } from '../../src/core/orders/replay/replay-places.ts';
import { replayOrders } from '../../src/core/orders/replay/replay.ts';
import { emptyShipments, weightUnknown, type OrderPlace } from '../../src/core/orders/replay/shipments.ts';
import { shopperOfKind } from '../../src/core/orders/shopper-of-order.ts';
import type { Policy } from '../../src/core/policy/types.ts';
import { randomInstant, randomPolicyWithZones } from '../support/random-policy.ts';

const place = fc.constantFrom<OrderPlace>(
  ['NL', '', '1799 ZA'],
  ['NL', '', '1799-zb'],
  ['NL', 'NL-FR', '1712'],
  ['NL', 'not a code', '2000'],
  ['NL', '', ''],
  ['US', '', '99501'],
  ['US', '', '10001'],
  ['FR', '', '75000'],
);
const order = fc.record({
  place,
  grams: fc.oneof(fc.constantFrom(0, 1000, 1001, 20_000, weightUnknown), fc.integer({ min: 0, max: 40_000 })),
  goods: fc.integer({ min: 0, max: 30_000 }),
  shopper: fc.constantFrom(0, 1, 2),
  option: fc.integer({ min: 0, max: 3 }),
});

/** The same with delivery at nothing wherever it is offered, so that what is paid in all comes out as the difference. */
const atNothing = (policy: Policy): Policy => {
  const changed = structuredClone(policy);
  for (const option of Object.values(changed.options))
    option.charge = chargeOfPreset({ kind: 'flat', price: { exact: 0 } });
  return changed;
};

test('orders taken for alike come to what each comes to by itself', () => {
  fc.assert(
    fc.property(
      randomPolicyWithZones,
      fc.array(order, { minLength: 1, maxLength: 25 }),
      randomInstant,
      (policy, orders, instant) => {
        const [draft, release] = [compilePolicy(policy), compilePolicy(atNothing(policy))];
        const places = replayPlacesOf('here', draft, release);
        if (!places) return;
        const options = ['', ...Object.keys(policy.options).slice(0, 3)];
        const columns = emptyColumns(orders.length, options);
        for (const [i, one] of orders.entries()) {
          columns.goods[i] = one.goods;
          columns.shopper[i] = one.shopper;
          columns.option[i] = one.option % options.length;
        }
        const shipments = {
          ...emptyShipments(orders.length),
          places: orders.map((one) => one.place),
          place: Uint32Array.from(orders.keys()),
          grams: Uint32Array.from(orders, ({ grams }) => grams),
        };
        const plain = { less: 0, more: 0, same: 0, without: 0, change: 0, givenBefore: 0, givenNow: 0 };
        for (const [i, one] of orders.entries()) {
          const where = locate(destinationOfOrder(...one.place));
          const option = options[columns.option[i]!]!;
          const known = where.postcode !== '';
          const zones = known ? places.ofDestination(where) : places.ofOption(option);
          if (!zones.draft || !zones.release) {
            plain.without++;
            continue;
          }
          const someone = someoneIn(zones.draft, instant, shopperOfKind(one.shopper));
          const situation = known ? { ...someone, destination: where.destination } : someone;
          const bought = { ...orderOfValue(one.goods), weight: one.grams === weightUnknown ? 0 : one.grams };
          const [now, was] = [zones.draft, zones.release].map((zone) => evaluateHypothetical(zone, bought, situation));
          const among = (of: typeof now) => of!.options.find(({ optionId }) => optionId === option);
          const both = among(now) && among(was);
          const taken = (of: typeof now) =>
            both ? among(of)! : of!.options.find(({ optionId }) => optionId === of!.preselected);
          const [paysNow, paidThen] = [taken(now), taken(was)];
          if (!paysNow || !paidThen) {
            plain.without++;
            continue;
          }
          const change = paysNow.after - paidThen.after;
          if (change < 0) plain.less++;
          else if (change > 0) plain.more++;
          else plain.same++;
          plain.change += change;
          plain.givenBefore += paidThen.before - paidThen.after;
          plain.givenNow += paysNow.before - paysNow.after;
        }
        const replay = replayOrders({ columns, shipments }, places, instant);
        expect(replay).toMatchObject({ ...plain, orders: orders.length });
      },
    ),
    { numRuns: 300 },
  );
}, 60_000);
