import { Engine } from 'json-rules-engine';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { measureCart } from '../../../src/core/cart/measures.ts';
import type { EvaluationInput } from '../../../src/core/evaluation/evaluation.ts';
import { inOrder } from '../../../src/core/ordered.ts';

/** The demo policy's conditions as rules of a general JSON rules engine: one for each step and one for each goal. */
export function rulesEngine(): Engine {
  const engine = new Engine([], { allowUndefinedFacts: true });
  const rule = (name: string, price: number, conditions: { fact: string; operator: string; value: unknown }[]) => engine.addRule({ conditions: { all: conditions }, event: { type: name, params: { price } } });
  for (const [id, option] of inOrder(demoPolicy.options)) {
    const market = { fact: 'market', operator: 'equal', value: demoPolicy.zones[option.zone]!.market };
    for (const [, { over, price }] of inOrder(option.charge.lines)) {
      if (!('exact' in price.fixed)) throw new Error('the demo has exact prices');
      const range = over?.measure === 'goodsValue' ? [{ fact: 'chargeable', operator: 'greaterThanInclusive', value: (over.from as { exact: number }).exact }, ...(over.to ? [{ fact: 'chargeable', operator: 'lessThan', value: (over.to as { exact: number }).exact }] : [])] : [];
      rule(id, price.fixed.exact, [market, ...range]);
    }
  }
  for (const [id, offer] of inOrder(demoPolicy.offers)) {
    for (const [market, target] of Object.entries(offer.goals.first!.targets)) {
      rule(id, 0, [{ fact: 'market', operator: 'equal', value: market }, { fact: 'counted', operator: 'greaterThanInclusive', value: (target as { exact: number }).exact }]);
    }
  }
  return engine;
}

/** The facts are worked out by the same code for free: only deciding is compared. */
export async function decideByRules(engine: Engine, { cart, destination }: EvaluationInput): Promise<number> {
  const market = destination.country === 'GB' ? 'uk' : destination.country === 'CA' ? 'none' : 'nlbe';
  const measures = measureCart(cart, market);
  const { events } = await engine.run({ market, chargeable: measures.chargeableValue, counted: measures.countedValue });
  return events.length;
}
