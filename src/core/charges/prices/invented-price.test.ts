import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { changed, evaluateLines, tuesday } from '../../../../tests/support/evaluate-store.ts';
import { addLine } from '../../../client/edits/option-edits.ts';
import { compilePolicy } from '../../evaluation/compile.ts';
import { policyChanges } from '../../changes/changes.ts';
import { withPatches } from '../../policy/patch.ts';
import { policySchema } from '../../schema/policy-schema.ts';
import type { LocalAmount } from '../../policy/types.ts';
import { checkPolicy } from '../../checks/validate.ts';
import { sweepZone } from '../../sweep/sweep.ts';
import { money } from '../../trace/trace.ts';
import { ChargeWords } from '../charge-in-words.ts';
import type { LinePrice, PriceKindRecord } from './price-kind.ts';
import { priceKindOf, priceKinds } from './registry.ts';

/** A price that exists in this test alone: twice an amount from 123.45 of goods on. */
const twice: PriceKindRecord = {
  kind: 'twice',
  member: 'twice',
  definition: 'priceTwice',
  schema: { required: ['twice'], properties: { twice: { $ref: '#/$defs/localAmount' } } },
  offered: 'add a price that doubles',
  begin: () => ({ twice: { exact: 111 } }) as unknown as LinePrice,
  parts: (price) => ['doubling ', { field: 'amount', at: ['twice'], name: 'Doubled', value: amountOf(price) }],
  inWords: (price, words) => `${words.amount(amountOf(price))}, twice that for much`,
  check: (price, amount, at) => void amount(amountOf(price), `${at}/twice`),
  carrierOf: () => null,
  isCertain: () => true,
  startOf: amountOf,
  compile(price, _range, _terms, minor) {
    const once = minor(amountOf(price));
    return {
      kind: 'twice',
      quoted: null,
      priceOf: ({ facts }) => (facts.cart.measures.chargeableValue >= 12_345 ? 2 * once : once),
      edges: () => ({ measure: 'goodsValue', edges: [12_345], rises: false }),
      says: (_input, _weighing, inputs) => {
        inputs.once = money(once);
        return '{once} doubles to {outcome}';
      },
    };
  },
};
function amountOf(price: LinePrice): LocalAmount {
  return (price as unknown as { twice: LocalAmount }).twice;
}
priceKinds.add(twice);

const bare = changed(demoPolicy, (copy) => {
  copy.options['nlbe-door']!.charge.lines = {};
  copy.offers = {};
  copy.wording = {};
  delete copy.textNotes;
  copy.testCarts = {};
});
const policy = withPatches(bare, [addLine('nlbe-door', twice.begin())(bare)]);
const [line] = Object.values(policy.options['nlbe-door']!.charge.lines);

describe('a price that is only registered', () => {
  test('is in the schema, and policies that ask it are valid', () => {
    expect(JSON.stringify(policySchema().$defs.linePrice)).toContain('priceTwice');
    expect(checkPolicy(policy)).toMatchObject({ ok: true });
    const odd = changed(policy, (copy) =>
      Object.assign(Object.values(copy.options['nlbe-door']!.charge.lines)[0]!.price, { percent: '5' }),
    );
    expect(checkPolicy(odd)).toMatchObject({ ok: false });
  });
  test('is in the editor’s list, with its sentence', () => {
    expect(priceKinds.all.at(-1)!.offered).toBe('add a price that doubles');
    expect(
      priceKindOf(line!.price).parts(line!.price, { currency: 'EUR', over: undefined, free: true }),
    ).toContainEqual({ field: 'amount', at: ['twice'], name: 'Doubled', value: { exact: 111 } });
  });
  test('is read out, among the changes too', () => {
    const words = new ChargeWords(policy, 'nlbe', String);
    expect(words.charge(policy.options['nlbe-door']!.charge)).toContain('111, twice that for much');
    expect(JSON.stringify(policyChanges(bare, policy, 'en-GB'))).toContain('€1.11');
  });
  test('prices carts, and the trace says how', () => {
    const { options, trace } = evaluateLines(policy, { spinner: 20 });
    expect(options.find(({ optionId }) => optionId === 'nlbe-door')).toMatchObject({ before: 222 });
    expect(JSON.stringify(trace)).toContain('doubles to');
  });
  test('is where sweeps see the price change', () => {
    const [zone] = compilePolicy(policy).markets.get('nlbe')!.zones;
    const situation = { destination: { country: 'NL', postcode: '1012' }, instant: tuesday };
    const from = sweepZone(zone!, 'goodsValue', situation).segments.map((segment) => segment.from);
    expect(from).toContain(12_345);
  });
  test('is known by its member, and cannot be registered twice', () => {
    expect(() => priceKinds.add(twice)).toThrow(RangeError);
    expect(() => priceKindOf({} as LinePrice)).toThrow(RangeError);
  });
});
