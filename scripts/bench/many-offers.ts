import { chargeOfPreset } from '../../src/core/charges/presets.ts';
import { countryCodes } from '../../src/core/geography/country.ts';
import type { Condition, ConditionNode, Policy } from '../../src/core/policy/types.ts';
import { checkPolicy } from '../../src/core/checks/validate.ts';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';

const markets = 20;
const offers = 200;
const groups = 10;
const leavesOfGroup = 20;

/** The demo store with 20 markets, 200 offers that have a goal in each, and a qualifier of 200 leaves. */
export function manyOffers(): Policy {
  const policy = structuredClone(demoPolicy);
  const taken = new Set(Object.values(policy.markets).flatMap(({ countries }) => countries));
  const free = countryCodes.filter((code) => !taken.has(code));
  const templates = Object.values(demoPolicy.markets);
  for (let i = templates.length; i < markets; i++) {
    const { elsewhere: _, ...template } = templates[i % templates.length]!;
    const { regions: __, ...tax } = template.tax;
    const id = `market-${i}`;
    policy.markets[id] = { ...template, order: 100 + i, name: `Market ${i}`, countries: [free[i]!], tax };
    policy.zones[`zone-${i}`] = {
      order: 100 + i,
      market: id,
      name: `Zone ${i}`,
      on: true,
      area: { include: { whole: { kind: 'wholeMarket' } } },
    };
    policy.options[`option-${i}`] = {
      ...structuredClone(demoPolicy.options['nlbe-door']!),
      order: 100 + i,
      zone: `zone-${i}`,
      charge: chargeOfPreset({ kind: 'flat', price: { exact: 700 } }),
    };
  }
  const { markets: __, ...first } = structuredClone(demoPolicy.offers['free-delivery']!);
  for (let i = Object.keys(policy.offers).length; i < offers; i++) {
    const goal = first.goals.first!;
    const targets = Object.fromEntries(
      Object.keys(policy.markets).map((market, column) => [market, { exact: 4000 + 50 * i + 100 * column }]),
    );
    policy.offers[`offer-${i}`] = {
      ...first,
      order: 100 + i,
      priority: 1,
      name: `Offer ${i}`,
      goals: { first: { ...goal, targets } },
    };
  }
  policy.qualifiers.tree = { order: 100, name: 'A large tree', condition: largeTree() };
  const check = checkPolicy(policy);
  if (!check.ok) throw new Error(`the store of many offers is not valid: ${JSON.stringify(check.faults.slice(0, 3))}`);
  return policy;
}

function largeTree(): Condition {
  const leaf = (group: number, index: number): ConditionNode => ({
    order: index,
    kind: 'number',
    fact: 'cart.weight',
    operator: 'atLeast',
    value: group * 100 + index,
  });
  const group = (number: number): ConditionNode => ({
    order: number,
    kind: 'group',
    of: 'all',
    conditions: Object.fromEntries(
      Array.from({ length: leavesOfGroup }, (_, index) => [`leaf-${number}-${index}`, leaf(number, index)]),
    ),
  });
  return {
    of: 'any',
    conditions: Object.fromEntries(Array.from({ length: groups }, (_, index) => [`group-${index}`, group(index)])),
  };
}
