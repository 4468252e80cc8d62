import { chargeMeasure, type ChargeMeasure } from '../../charges/charge-measure.ts';
import { linesOfCharge, priceOfCharge, withHandling, type ChargeInput } from '../../charges/charge.ts';
import type { CompiledCharge, CompiledChargeLine } from '../../charges/compile-charge.ts';
import { goodsValueOf } from '../../cart/line-values.ts';
import type { CompiledOption } from '../../options/compile-option.ts';
import { hasNothingToCharge } from '../../options/price-before.ts';
import type { Policy } from '../../policy/types.ts';
import { money, node, number, percent, text, yes, type TraceNode, type TraceValue } from '../../trace/trace.ts';
import { fraction } from './trace-measures.ts';
import { traceCondition } from './trace-condition.ts';

/** How an option's charge came about: the lines that take part, how they combine, handling. */
export function traceCharge(option: CompiledOption, input: ChargeInput, policy: Policy): TraceNode {
  const { measures } = input.facts.cart;
  if (hasNothingToCharge(option, input)) {
    const says = measures.allShipsFree
      ? 'Everything in the cart ships free: {outcome}'
      : 'Nothing in the cart is charged in the ordinary way: {outcome}';
    return node('charge', says, { nothingToCharge: yes(true) }, money(0));
  }
  const { charge } = option;
  const taking = linesOfCharge(charge, input);
  const price = priceOfCharge(charge, input);
  const inputs: Record<string, TraceValue> = {
    combine: text(charge.combine),
    value: money(measures.chargeableValue),
    nothingToCharge: yes(false),
    ...(charge.otherwise === null ? {} : { otherwise: money(charge.otherwise) }),
  };
  if (price === null)
    return node('charge', 'No line of the charge covers this cart, so it is not offered', inputs, text('not offered'));
  const handled = withHandling(charge, price);
  const outcome = money(handled);
  const children = taking.map(({ line, price: own }) => traceChargeLine(line, own, charge, input, policy));
  if (charge.handling) children.push(traceHandling(charge.handling, handled - price));
  if (taking.length === 0)
    return node(
      'charge',
      'No line of the charge covers this cart; otherwise it is {outcome}',
      inputs,
      outcome,
      children,
    );
  const says = {
    first: 'The first line that applies',
    sum: 'The sum of the lines that apply',
    highest: 'The highest of the lines that apply',
    lowest: 'The lowest of the lines that apply',
  }[charge.combine];
  return node(
    'charge',
    `${says}${charge.handling ? ' with handling' : ''} is the charge: {outcome}`,
    inputs,
    outcome,
    children,
  );
}

function traceHandling(handling: NonNullable<CompiledCharge['handling']>, added: number): TraceNode {
  if ('amount' in handling)
    return node('handling', 'Handling adds {outcome}', { amount: money(handling.amount) }, money(added));
  return node(
    'handling',
    'Handling of {percent} adds {outcome}',
    { percent: percent(handling.decimal), ...fraction(handling.percent) },
    money(added),
  );
}

/** How a measure is written in a sentence, and its unit. */
const measureWords: Record<ChargeMeasure, { name: string; unit: string; piece: string }> = {
  goodsValue: { name: 'a goods value', unit: '', piece: '' },
  items: { name: 'a number of items', unit: '', piece: ' item' },
  lines: { name: 'a number of lines', unit: '', piece: ' line' },
  weight: { name: 'a weight', unit: ' g', piece: ' g' },
  volume: { name: 'a volume', unit: ' cm³', piece: ' cm³' },
  longestSide: { name: 'a longest side', unit: ' mm', piece: ' mm' },
  chargeableWeight: { name: 'a chargeable weight', unit: ' g', piece: ' g' },
};

function traceChargeLine(
  line: CompiledChargeLine,
  price: number,
  charge: CompiledCharge,
  input: ChargeInput,
  policy: Policy,
): TraceNode {
  const { measures } = input.facts.cart;
  const inputs: Record<string, TraceValue> = { line: text(line.id), kind: text(line.price.kind) };
  let where = 'Whatever the cart';
  if (line.range) {
    const { measure, from, to } = line.range;
    const write = (value: number) => (measure === 'goodsValue' ? money(value) : number(value));
    const { name, unit } = measureWords[measure];
    inputs.value = write(chargeMeasure(measure, measures, charge.volumeDivisor));
    inputs.from = write(from);
    if (to !== Infinity) inputs.to = write(to);
    where = `${name.charAt(0).toUpperCase()}${name.slice(1)} of {value}${unit} falls in the step from {from}${unit} ${to === Infinity ? 'up' : `to below {to}${unit}`}`;
  }
  const said = sayPrice(line, charge, input, inputs);
  const children = line.when ? [traceCondition(line.when, input.facts, policy)] : [];
  return node('chargeLine', `${where}: ${said}`, inputs, money(price), children);
}

/** What the price is made of, in words; adds what they mention to `inputs`. */
function sayPrice(
  { price }: CompiledChargeLine,
  charge: CompiledCharge,
  { facts, quotes }: ChargeInput,
  inputs: Record<string, TraceValue>,
): string {
  if (price.kind === 'quoted') {
    const quote = quotes?.[price.carrier] ?? null;
    inputs.carrier = text(price.carrier);
    if (quote === null) {
      inputs.fallback = money(price.fallback ?? 0);
      return 'the carrier {carrier} gave no quote, so it is {outcome}';
    }
    Object.assign(inputs, {
      quote: money(quote),
      margin: percent(price.marginDecimal),
      marginFixed: money(price.marginFixed),
      ...fraction(price.marginPercent),
    });
    const margins = [
      price.marginPercent.numerator > 0 ? '{margin}' : '',
      price.marginFixed > 0 ? '{marginFixed}' : '',
    ].filter(Boolean);
    return `the carrier {carrier} quotes {quote}${margins.length > 0 ? `, and ${margins.join(' and ')} on top` : ''}: {outcome}`;
  }
  inputs.min = money(price.min);
  if (price.max !== Infinity) inputs.max = money(price.max);
  const bounds = `${price.min > 0 ? ', at least {min}' : ''}${price.max !== Infinity ? ', at most {max}' : ''}`;
  if (price.kind === 'percent') {
    Object.assign(inputs, {
      goods: money(goodsValueOf(facts.cart, price.basis, { chargeable: true })),
      percent: percent(price.decimal),
      ...fraction(price.percent),
    });
    return `{percent} of {goods}${bounds}, which is {outcome}`;
  }
  inputs.fixed = money(price.fixed);
  if (!price.perUnit) return `${bounds === '' ? '{outcome}' : `{fixed}${bounds}, which is {outcome}`}`;
  const { measure, from, amount, per, started } = price.perUnit;
  const { unit, piece } = measureWords[measure];
  const isMoney = measure === 'goodsValue';
  const beyond = Math.max(0, chargeMeasure(measure, facts.cart.measures, charge.volumeDivisor) - from);
  Object.assign(inputs, {
    beyond: isMoney ? money(beyond) : number(beyond),
    amount: money(amount),
    per: isMoney ? money(per) : number(per),
    started: yes(started),
  });
  return `{fixed} and {amount} for each ${started ? 'started ' : ''}{per}${piece} of {beyond}${unit}${bounds}, which is {outcome}`;
}
