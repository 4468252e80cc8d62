import { describe, expect, test } from 'vitest';
import { catalogueOf } from '../src/core/catalogue/product.ts';
import { compileCondition, type CompiledCondition } from '../src/core/conditions/compile-condition.ts';
import { compilePolicy } from '../src/core/evaluation/compile.ts';
import { zoneContext } from '../src/core/evaluation/context.ts';
import { evaluate } from '../src/core/evaluation/evaluate.ts';
import type { Evaluation, EvaluationInput } from '../src/core/evaluation/evaluation.ts';
import { inputOfTestCart } from '../src/core/evaluation/test-cart-input.ts';
import { measureCart } from '../src/core/cart/measures.ts';
import { taxRatesAt } from '../src/core/markets/terms.ts';
import { findZone } from '../src/core/evaluation/find-zone.ts';
import { normalPostcode } from '../src/core/geography/postcode.ts';
import base from '../src/core/schema/policy.schema.json' with { type: 'json' };
import { policySchema } from '../src/core/schema/policy-schema.ts';
import { policyWordingFaults } from '../src/core/wording/policy-faults.ts';
import type { TraceNode } from '../src/core/trace/trace.ts';
import { demoPolicy } from './policy/demo-policy.ts';
import { demoProducts } from './products.ts';

/** The definition of a kind of leaf. */
const leaf = (name: string) =>
  policySchema().$defs[name] as { properties: Record<string, { enum?: string[]; const?: string }> };

const tuesday = Date.parse('2026-11-24T11:00Z');
const compiled = compilePolicy(demoPolicy);
const catalogue = catalogueOf(demoProducts);
const carts = Object.entries(demoPolicy.testCarts).map(([id, cart]) => {
  const { input, gone } = inputOfTestCart(cart, catalogue, tuesday);
  return { id, input, gone, evaluation: evaluate(compiled, input, { trace: true }) };
});

/** Everything somewhere in a document. */
function* everything(value: unknown): Generator<Record<string, unknown>> {
  if (typeof value !== 'object' || value === null) return;
  if (!Array.isArray(value)) yield value as Record<string, unknown>;
  for (const item of Object.values(value)) yield* everything(item);
}
const said = [...everything(demoPolicy)];
const values = (key: string): Set<unknown> => new Set(said.flatMap((item) => (key in item ? [item[key]] : [])));
const traced = function* (node: TraceNode): Generator<TraceNode> {
  yield node;
  for (const child of node.children) yield* traced(child);
};
const decisions = carts.flatMap(({ evaluation }) => [...traced(evaluation.trace!)]);
const some = (test: (evaluation: Evaluation, input: EvaluationInput) => boolean) =>
  carts.some(({ evaluation, input }) => test(evaluation, input));
const text = (node: TraceNode, input: string) => (node.inputs[input]?.kind === 'text' ? node.inputs[input].text : '');

describe('the demo store says everything a policy can say', () => {
  const kindsOf = (definition: keyof typeof base.$defs) => {
    const { oneOf } = base.$defs[definition] as {
      oneOf: { properties?: { kind?: { const?: string; enum?: string[] } } }[];
    };
    return oneOf.flatMap(({ properties }) => properties?.kind?.const ?? properties?.kind?.enum ?? []);
  };
  test.each(['areaPart', 'reward', 'cartDiscount'] as const)('every kind of %s', (definition) =>
    expect([...kindsOf(definition)].filter((kind) => !values('kind').has(kind))).toEqual([]),
  );
  test.each(['yesNoFact', 'wordFact', 'numberFact', 'moneyFact', 'goodsMoneyFact', 'goodsNumberFact'] as const)(
    'every fact of %s',
    (definition) => {
      const { fact } = leaf(definition).properties as { fact: { enum?: string[]; const?: string } };
      expect((fact.enum ?? [fact.const]).filter((name) => !values('fact').has(name))).toEqual([]);
    },
  );
  test('every way to compare, to contain, to be before or after', () => {
    const operators = [
      ...base.$defs.comparison.enum,
      ...leaf('wordFact').properties.operator!.enum!,
      ...leaf('contentsFact').properties.operator!.enum!,
      ...leaf('instantFact').properties.operator!.enum!,
    ];
    expect(operators.filter((operator) => !values('operator').has(operator))).toEqual([]);
    for (const kind of ['qualifier', 'group', 'postcode', 'distance', 'weekday', 'timeOfDay'])
      expect(values('kind')).toContain(kind);
    expect(['all', 'any', 'none'].filter((of) => !values('of').has(of))).toEqual([]);
  });
  test('every basis, way to combine, way to unlock, rounding, unit and kind of option', () => {
    const lacking = (key: string, wanted: readonly string[]) => wanted.filter((value) => !values(key).has(value));
    expect(lacking('basis', base.$defs.basis.enum)).toEqual([]);
    expect(lacking('combine', ['first', 'sum', 'highest', 'lowest'])).toEqual([]);
    expect(lacking('by', ['amount', 'code', 'amountOrCode', 'amountAndCode', 'all', 'kind', 'tag', 'list'])).toEqual(
      [],
    );
    expect(lacking('round', ['nearest', 'up', 'down'])).toEqual([]);
    expect(lacking('unit', ['km', 'mi', 'hours'])).toEqual([]);
    expect(
      lacking('kind', ['parcel', 'localDelivery', 'pickUp', 'notOffered', 'price', 'items', 'weight', 'countedValue']),
    ).toEqual([]);
    expect(lacking('prices', ['withTax', 'withoutTax'])).toEqual([]);
    expect(lacking('preselect', ['first', 'cheapest'])).toEqual([]);
    expect(lacking('then', ['replace', 'add'])).toEqual([]);
    expect(lacking('readIn', ['store', 'market'])).toEqual([]);
    expect(lacking('measure', [...base.$defs.countMeasure.enum, 'goodsValue'])).toEqual([]);
  });
  test('no text of it would make a shopper read nothing or something wrong', () =>
    expect(policyWordingFaults(demoPolicy).filter(({ severity }) => severity === 'wrong')).toEqual([]));
});

describe('and some demo cart exercises it', () => {
  test('all carts are of products that are there', () => expect(carts.flatMap(({ gone }) => gone)).toEqual([]));
  test('every market, every zone that is on, every option', () => {
    expect(Object.keys(demoPolicy.markets).filter((id) => !some(({ marketId }) => marketId === id))).toEqual([]);
    expect(
      Object.entries(demoPolicy.zones).filter(([id, { on }]) => on && !some(({ zoneId }) => zoneId === id)),
    ).toEqual([]);
    expect(
      Object.keys(demoPolicy.options).filter(
        (id) => !some(({ options }) => options.some(({ optionId }) => optionId === id)),
      ),
    ).toEqual([]);
    expect(
      ['country', 'region', 'postcodes', 'radius', 'wholeMarket'].filter((by) => !some(({ zoneBy }) => zoneBy === by)),
    ).toEqual([]);
  });
  test('every line of every charge', () => {
    const used = new Set(
      decisions
        .filter(({ decision }) => decision === 'option')
        .flatMap((option) =>
          option.children.flatMap((charge) =>
            charge.children
              .filter(({ decision }) => decision === 'chargeLine')
              .map((line) => `${text(option, 'id')}/${text(line, 'line')}`),
          ),
        ),
    );
    const unused = Object.entries(demoPolicy.options)
      .flatMap(([id, { charge }]) => Object.keys(charge.lines).map((line) => `${id}/${line}`))
      .filter((line) => !used.has(line));
    expect(unused).toEqual([]);
    expect(decisions.some(({ decision, inputs }) => decision === 'charge' && inputs.otherwise)).toBe(true);
  });
  test('every offer in force and reached, and every reward setting a price, taking off goods or giving', () => {
    // What is archived is in force nowhere.
    const offers = Object.entries(demoPolicy.offers).filter(([, { archived }]) => !archived);
    const reached = new Set(
      carts.flatMap(({ evaluation }) =>
        evaluation.offers.flatMap(({ offerId, status, goals }) =>
          status === 'inForce' ? goals.filter((goal) => goal.reached).map(({ goalId }) => `${offerId}/${goalId}`) : [],
        ),
      ),
    );
    expect(
      offers
        .flatMap(([id, { goals }]) => Object.keys(goals).map((goal) => `${id}/${goal}`))
        .filter((goal) => !reached.has(goal)),
    ).toEqual([]);
    const set = new Set(
      carts.flatMap(({ evaluation }) => evaluation.options.flatMap(({ setBy }) => setBy.map(({ offerId }) => offerId))),
    );
    expect(offers.flatMap(([id]) => (set.has(id) ? [] : [id]))).toEqual([]);
    expect([some(({ totals }) => totals!.goodsReward > 0), some(({ gifts }) => gifts.length > 0)]).toEqual([
      true,
      true,
    ]);
    const applied = new Set(
      decisions
        .filter(
          ({ decision, outcome }) => decision === 'reward' && outcome.kind === 'text' && outcome.text === 'applies',
        )
        .map((node) => text(node, 'kind')),
    );
    expect([...applied].sort()).toEqual([
      'deliveryAt',
      'deliveryFree',
      'deliveryLessAmount',
      'deliveryLessPercent',
      'upgrade',
    ]);
  });
  test('every status of an offer, every state of a message, every reason for no option', () => {
    const lacking = (wanted: string[], found: (evaluation: Evaluation) => (string | null | undefined)[]) =>
      wanted.filter((value) => !some((evaluation) => found(evaluation).includes(value)));
    expect(
      lacking(['inForce', 'notYet', 'over', 'notForShopper', 'usedUp', 'needsCode'], ({ offers }) =>
        offers.map(({ status }) => status),
      ),
    ).toEqual([]);
    expect(lacking(['invite', 'progress', 'nearly', 'reached', 'onward'], ({ lead }) => [lead?.state])).toEqual([]);
    expect(
      lacking(['otherChannel', 'notNow', 'conditionNotMet', 'carrierSilent'], ({ unavailable }) =>
        unavailable.map(({ reason }) => reason),
      ),
    ).toEqual([]);
    expect(lacking(['noZone', 'goodsBarred', 'nothingToDeliver'], ({ noOptions }) => [noOptions])).toEqual([]);
    expect(lacking(['same', 'cheaper', 'dearer', 'gone'], ({ earlier }) => [earlier?.still])).toEqual([]);
  });
  test('every qualifier holds for one and not for another', () => {
    const answers = (id: string) =>
      new Set(
        carts.flatMap(({ input }) => {
          const place = findZone(compiled, input.destination, normalPostcode(input.destination.postcode));
          if (!place.found) return [];
          const { terms } = place.market;
          const cart = measureCart(input.cart, terms, taxRatesAt(terms, input.destination.region), input.destination);
          const condition: CompiledCondition = compileCondition(
            demoPolicy.qualifiers[id]!.condition,
            demoPolicy.qualifiers,
            terms,
          );
          return [
            condition.holds(zoneContext(place.zone, cart, normalPostcode(input.destination.postcode), input).facts),
          ];
        }),
      );
    expect(Object.keys(demoPolicy.qualifiers).filter((id) => answers(id).size < 2)).toEqual([]);
  });
  test('discounts with and without code, an applied and a passed-over one; taxes of every kind', () => {
    const discounts = decisions.filter(({ decision }) => decision === 'discount');
    expect(new Set(discounts.map(({ outcome }) => outcome.kind))).toEqual(new Set(['money', 'text']));
    expect(some((evaluation, { destination }) => destination.region === 'US-NY' && evaluation.totals!.tax > 0)).toBe(
      true,
    );
    expect(some(({ currency, totals }) => currency === 'JPY' && totals!.tax > 0)).toBe(true);
  });
});
