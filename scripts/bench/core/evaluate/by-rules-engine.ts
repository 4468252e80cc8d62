import { Engine, type NestedCondition, type TopLevelCondition } from 'json-rules-engine';
import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { countMeasures, usualVolumeDivisor } from '../../../../src/core/cart/charge-measure.ts';
import { chargeMeasureOf } from '../../../../src/core/charges/charge-measure-of.ts';
import type { LeafNode } from '../../../../src/core/conditions/leaf.ts';
import { factOf } from '../../../../src/core/conditions/registry.ts';
import { zoneContext } from '../../../../src/core/evaluation/context.ts';
import type { CompiledPolicy, CompiledZone } from '../../../../src/core/evaluation/compile.ts';
import type { EvaluationInput } from '../../../../src/core/evaluation/evaluation.ts';
import { measureCart } from '../../../../src/core/cart/measures.ts';
import { taxRatesAt } from '../../../../src/core/markets/terms.ts';
import { countedToward } from '../../../../src/core/offers/counted.ts';
import { inOrder } from '../../../../src/core/ordered.ts';
import { findZone } from '../../../../src/core/evaluation/find-zone.ts';
import { normalPostcode } from '../../../../src/core/geography/postcode.ts';
import type { Condition, ConditionNode } from '../../../../src/core/policy/types.ts';

type FactsOfCart = Record<string, unknown>;

/** A leaf as a fact of its own: the same answer, looked up. */
const leafFact = (node: ConditionNode): string => JSON.stringify(node);

function conditionOf({ of, conditions }: Pick<Condition, 'of' | 'conditions'>): TopLevelCondition {
  const nodes = inOrder(conditions).map(([, node]): NestedCondition => {
    if (node.kind === 'group') return conditionOf(node);
    if (node.kind === 'qualifier') return conditionOf(demoPolicy.qualifiers[node.qualifier]!.condition);
    return { fact: leafFact(node), operator: 'equal', value: true };
  });
  if (of === 'any') return { any: nodes };
  return of === 'all' ? { all: nodes } : { not: { any: nodes } };
}

const leavesIn = ({ conditions }: Pick<Condition, 'conditions'>): LeafNode[] =>
  Object.values(conditions).flatMap((node) => {
    if (node.kind === 'group') return leavesIn(node);
    if (node.kind === 'qualifier') return leavesIn(demoPolicy.qualifiers[node.qualifier]!.condition);
    return [node];
  });

/** The demo policy's conditions as rules of a general JSON rules engine: one for each line of a charge and each goal in a zone. */
export function rulesEngine(compiled: CompiledPolicy): Engine {
  const engine = new Engine([], { allowUndefinedFacts: true });
  const rule = (name: string, conditions: NestedCondition[]) =>
    engine.addRule({ conditions: { all: conditions }, event: { type: name } });
  for (const zone of [...compiled.markets.values()].flatMap((market) => market.zones)) {
    const here: NestedCondition = { fact: 'zone', operator: 'equal', value: zone.id };
    for (const { id, option, charge } of zone.options) {
      for (const line of charge.lines) {
        const definition = option.charge.lines[line.id]!;
        const range: NestedCondition[] = line.range
          ? [
              { fact: line.range.measure, operator: 'greaterThanInclusive', value: line.range.from },
              ...(line.range.to === Infinity
                ? []
                : [{ fact: line.range.measure, operator: 'lessThan', value: line.range.to }]),
            ]
          : [];
        rule(`${id}/${line.id}`, [
          here,
          ...range,
          ...(option.when ? [conditionOf(option.when)] : []),
          ...(definition.when ? [conditionOf(definition.when)] : []),
        ]);
      }
    }
    for (const { id, offer, span, goals } of zone.offers) {
      for (const goal of goals) {
        const dates: NestedCondition[] = [
          ...(Number.isFinite(span.from)
            ? [{ fact: 'instant', operator: 'greaterThanInclusive', value: span.from }]
            : []),
          ...(Number.isFinite(span.until) ? [{ fact: 'instant', operator: 'lessThan', value: span.until }] : []),
        ];
        const reached: NestedCondition[] =
          goal.target === null
            ? []
            : [{ fact: `${id}/${goal.id}`, operator: 'greaterThanInclusive', value: goal.target }];
        rule(`${id}/${goal.id}`, [here, ...dates, ...(offer.when ? [conditionOf(offer.when)] : []), ...reached]);
      }
    }
  }
  return engine;
}

/** What the rules are about, worked out beforehand by the same code: only deciding is compared. */
export function factsOf(compiled: CompiledPolicy, input: EvaluationInput): FactsOfCart {
  const postcode = normalPostcode(input.destination.postcode);
  const place = findZone(compiled, input.destination, postcode);
  if (!place.found) return { zone: 'none' };
  const zone: CompiledZone = place.zone;
  const { terms } = zone.market;
  const cart = measureCart(input.cart, terms, taxRatesAt(terms, input.destination.region), input.destination);
  const { facts } = zoneContext(zone, cart, postcode, input);
  const found: FactsOfCart = { zone: zone.id, instant: input.instant };
  const weighing = { volumeDivisor: usualVolumeDivisor, packing: terms.packing, ownOf: null };
  for (const measure of ['goodsValue', ...countMeasures] as const)
    found[measure] = chargeMeasureOf(measure, cart, weighing);
  for (const { id, goals } of zone.offers)
    for (const goal of goals) found[`${id}/${goal.id}`] = countedToward(goal.counts, cart);
  const conditions = [
    ...zone.options.map(({ option }) => option.when),
    ...zone.offers.map(({ offer }) => offer.when),
    ...zone.options.flatMap(({ option }) => Object.values(option.charge.lines).map(({ when }) => when)),
  ];
  for (const condition of conditions)
    if (condition)
      for (const leaf of leavesIn(condition)) found[leafFact(leaf)] = factOf(leaf).compile(leaf, terms).holds(facts);
  return found;
}

export async function decideByRules(engine: Engine, facts: FactsOfCart): Promise<number> {
  const { events } = await engine.run(facts);
  return events.length;
}
