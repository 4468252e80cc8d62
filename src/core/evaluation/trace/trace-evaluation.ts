import { node, text, type TraceNode } from '../../trace/trace.ts';
import type { Evaluation, NoOptions } from '../evaluation.ts';
import type { PreparedCase } from '../prepare.ts';
import { pricesWithoutUpgrades } from '../price-options.ts';
import { traceMeasures } from './trace-measures.ts';
import { traceOption } from './trace-option.ts';
import { traceZone } from './trace-zone.ts';

/** The tree of decisions behind an evaluation, complete enough to recompute each price by hand. */
export function traceEvaluation(prepared: PreparedCase, evaluation: Evaluation): TraceNode {
  const { cart, context } = prepared;
  const children = [traceZone(prepared)];
  if (cart) children.push(traceMeasures(cart));
  const whole = evaluation.noOptions === 'nothingToDeliver' || evaluation.noOptions === 'goodsBarred';
  if (context && !whole) {
    const sources = pricesWithoutUpgrades(context);
    for (const option of context.zone.options) {
      const price = evaluation.options.find((candidate) => candidate.optionId === option.id) ?? null;
      const reason = evaluation.unavailable.find((candidate) => candidate.optionId === option.id)?.reason ?? null;
      children.push(traceOption(option, context, price, reason, sources));
    }
  }
  return node('evaluation', 'What this shopper is offered: {outcome}', {}, text(outcomeOf(evaluation)), children);
}

const nothing: Record<NoOptions, string> = {
  noMarket: 'nothing, no market sells to this country',
  noZone: 'nothing, no zone covers this destination',
  goodsBarred: 'nothing, some of the goods may not go there',
  nothingToDeliver: 'no delivery is needed',
  zoneWithoutOptions: 'nothing, the zone has no delivery option',
  noneApplies: 'nothing, no delivery option applies to this cart',
};

function outcomeOf({ options, noOptions }: Evaluation): string {
  if (noOptions) return nothing[noOptions];
  return options.length === 1 ? '1 delivery option' : `${options.length} delivery options`;
}
