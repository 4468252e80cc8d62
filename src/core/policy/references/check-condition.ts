import { inOrder } from '../../ordered.ts';
import { referredIn } from '../../conditions/leaves.ts';
import type { Fault } from '../fault.ts';
import type { Condition, ConditionNode, GoodsSelection, Policy } from '../types.ts';
import { checkAmounts } from './check-amounts.ts';
import { checkLocalTime, checkReadIn } from './check-schedule.ts';
import { checkPattern } from './check-zone.ts';

/** Nesting beyond this is refused: nobody could read it. */
const maxDepth = 8;

/** Qualifiers, markets and zones it names exist, ranges run upward, and operators have the values they ask for. */
export function checkCondition(
  condition: Pick<Condition, 'conditions'>,
  policy: Policy,
  at: string,
  fault: Fault,
  depth = 1,
): void {
  if (depth > maxDepth) return fault(at, `is nested more than ${maxDepth} levels deep`);
  for (const [id, node] of Object.entries(condition.conditions)) {
    const here = `${at}/conditions/${id}`;
    if (node.kind === 'group') checkCondition(node, policy, here, fault, depth + 1);
    else checkLeaf(node, policy, here, fault);
  }
}

function checkLeaf(node: Exclude<ConditionNode, { kind: 'group' }>, policy: Policy, at: string, fault: Fault): void {
  if ('operator' in node && 'to' in node && node.to !== undefined && node.operator !== 'between')
    fault(`${at}/to`, 'is only for between');
  if ('operator' in node && node.operator === 'between' && !('to' in node && node.to !== undefined))
    fault(`${at}/to`, 'is missing: between needs both ends');
  if ('goods' in node) checkGoods(node.goods, policy, `${at}/goods`, fault);
  switch (node.kind) {
    case 'qualifier':
      if (!policy.qualifiers[node.qualifier]) fault(`${at}/qualifier`, `there is no qualifier "${node.qualifier}"`);
      return;
    case 'word':
      if (
        (node.operator === 'is' || node.operator === 'isNot' || node.operator === 'contains') &&
        node.values.length !== 1
      )
        fault(`${at}/values`, 'must be one value');
      for (const [index, value] of node.values.entries()) {
        if (node.fact === 'destination.zone' && !policy.zones[value])
          fault(`${at}/values/${index}`, `there is no zone "${value}"`);
        if (node.fact === 'destination.market' && !policy.markets[value])
          fault(`${at}/values/${index}`, `there is no market "${value}"`);
      }
      return;
    case 'number':
    case 'goodsNumber':
    case 'distance':
      if (node.to !== undefined && node.to < node.value) fault(`${at}/to`, 'must not be less than value');
      return;
    case 'money':
    case 'goodsMoney':
      checkAmounts(node.amounts, policy, [], `${at}/amounts`, fault);
      if (node.to) checkAmounts(node.to, policy, [], `${at}/to`, fault);
      return;
    case 'postcode':
      for (const [index, pattern] of node.patterns.entries()) checkPattern(pattern, `${at}/patterns/${index}`, fault);
      return;
    case 'instant':
      checkLocalTime(node.at, `${at}/at`, fault);
      if (node.to !== undefined && checkLocalTime(node.to, `${at}/to`, fault) && node.to <= node.at)
        fault(`${at}/to`, 'must be after at');
      checkReadIn(node.readIn, `${at}/readIn`, fault);
      return;
    case 'weekday':
    case 'timeOfDay':
      checkReadIn(node.readIn, `${at}/readIn`, fault);
  }
}

/** Markets in its price bounds exist. */
export function checkGoods(goods: GoodsSelection, policy: Policy, at: string, fault: Fault): void {
  if (goods.unitPriceFrom) checkAmounts(goods.unitPriceFrom, policy, [], `${at}/unitPriceFrom`, fault);
  if (goods.unitPriceBelow) checkAmounts(goods.unitPriceBelow, policy, [], `${at}/unitPriceBelow`, fault);
}

/** Qualifiers that lead back to themselves, with the names on the way. */
export function qualifierCycles(policy: Policy): { id: string; through: string[] }[] {
  const wayBack = (id: string, start: string, seen: ReadonlySet<string>): string[] | null => {
    for (const next of referredIn(policy.qualifiers[id]?.condition)) {
      if (next === start) return [id];
      if (seen.has(next)) continue;
      const way = wayBack(next, start, new Set([...seen, next]));
      if (way) return [id, ...way];
    }
    return null;
  };
  return inOrder(policy.qualifiers).flatMap(([id]) => {
    const way = wayBack(id, id, new Set([id]));
    return way ? [{ id, through: way.map((step) => policy.qualifiers[step]?.name ?? step) }] : [];
  });
}
