import { priceBefore, unavailableBecause, type PriceParts, type Unavailability } from '../../options/price-before.ts';
import type { CompiledOption } from '../../options/compile-option.ts';
import {
  fraction,
  money,
  node,
  setBy,
  number,
  percent,
  text,
  type TraceNode,
  type TraceSource,
} from '../../trace/trace.ts';
import type { ZoneContext } from '../context.ts';
import type { OptionPrice } from '../evaluation.ts';
import { traceCharge } from './trace-charge.ts';
import { traceCondition } from './trace-condition.ts';
import { traceOffer } from './trace-offer.ts';

const whyNot: Record<Unavailability, string> = {
  otherChannel: 'it is not offered in this channel',
  notNow: 'it is not offered at this time',
  conditionNotMet: 'its condition does not hold',
  noLineApplies: 'no line of its charge covers this cart',
  carrierSilent: 'the carrier gave no quote and there is no fallback',
};

/** One option: its charge, what own delivery prices add, each offer for it, and the tax. */
export function traceOption(
  option: CompiledOption,
  context: ZoneContext,
  price: OptionPrice | null,
  reason: Unavailability | null,
  sources: ReadonlyMap<string, PriceParts>,
): TraceNode {
  const { policy } = context.zone;
  const condition = option.when ? [traceCondition(option.when, context.facts, policy)] : [];
  const inputs = {
    option: text(option.option.name),
    id: text(option.id),
    increment: number(option.cashIncrement ?? 1),
  };
  const source: TraceSource = { kind: 'option', id: option.id };
  if (!price) {
    const children =
      unavailableBecause(option, context) === null ? [...condition, traceCharge(option, context, policy)] : condition;
    return setBy(
      source,
      node(
        'option',
        `{option} is not offered: ${whyNot[reason ?? 'noLineApplies']}`,
        { ...inputs, reason: text(reason ?? 'noLineApplies') },
        text('not offered'),
        children,
      ),
    );
  }
  const children = [...condition, traceCharge(option, context, policy)];
  const before = priceBefore(option, context) as PriceParts;
  if (before.own > 0)
    children.push(node('ownDelivery', 'Goods with an own delivery price add {outcome}', {}, money(before.own)));
  children.push(
    ...context.zone.offers.flatMap((_, rank) => traceOffer(rank, { option, before, price, sources }, context)),
  );
  children.push(...tracePreparation(context, price));
  if (option.cashIncrement)
    children.push(
      node(
        'cashIncrement',
        'Rounded once to what can be paid in cash: {outcome}',
        { increment: money(option.cashIncrement) },
        money(price.after),
      ),
    );
  const { taxRates, terms } = context.facts.cart;
  const taxSays = terms.shownWithTax
    ? 'The price contains {outcome} tax at {rate}'
    : 'Tax of {outcome} at {rate} comes on top';
  children.push(
    node(
      'tax',
      taxSays,
      { price: money(price.after), rate: percent(taxRates.deliveryPercent), ...fraction(taxRates.delivery) },
      money(price.tax),
    ),
  );
  const says =
    price.before === price.after ? '{option} costs {outcome}' : '{option} costs {outcome} instead of {before}';
  return setBy(source, node('option', says, { ...inputs, before: money(price.before) }, money(price.after), children));
}

/** Why it is there later than the option says: some of the goods take days before they can leave. */
function tracePreparation({ facts }: ZoneContext, { estimate }: OptionPrice): TraceNode[] {
  const { slowest, preparationDays } = facts.cart.measures;
  if (!slowest) return [];
  const leaves = estimate.unit === 'workingDays' ? estimate.leaves : new Date(estimate.starts).toISOString();
  return [
    node(
      'preparation',
      `{product} needs {days} working ${preparationDays === 1 ? 'day' : 'days'} more, so it leaves on {outcome}`,
      { product: text(slowest.name), days: number(preparationDays) },
      text(leaves),
    ),
  ];
}
