import { measures, type ChargeMeasure } from '../../cart/charge-measure.ts';
import { packedCart } from '../../cart/packing/packed-cart.ts';
import type { AlikeParcels } from '../../cart/packing/packed.ts';
import { chargeMeasureOf } from '../../charges/charge-measure-of.ts';
import type { ChargeInput } from '../../charges/charge-input.ts';
import { linesOfCharge, priceOfCharge, withHandling } from '../../charges/charge.ts';
import type { CompiledCharge, CompiledChargeLine } from '../../charges/compile-charge.ts';
import type { CompiledOption } from '../../options/compile-option.ts';
import { hasNothingToCharge } from '../../options/price-before.ts';
import type { Policy } from '../../policy/types.ts';
import {
  fraction,
  money,
  node,
  number,
  percent,
  text,
  yes,
  type TraceNode,
  type TraceValue,
} from '../../trace/trace.ts';
import { traceCondition } from './trace-condition.ts';

/** How an option's charge came about: the lines that take part, how they combine, handling. */
export function traceCharge(option: CompiledOption, input: ChargeInput, policy: Policy): TraceNode {
  const { allShipsFree, chargeableValue } = input.facts.cart.measures;
  if (hasNothingToCharge(option, input)) {
    const says = allShipsFree
      ? 'Everything in the cart ships free: {outcome}'
      : 'Nothing in the cart is charged in the ordinary way: {outcome}';
    return node('charge', says, { nothingToCharge: yes(true) }, money(0));
  }
  const { charge } = option;
  const taking = linesOfCharge(charge, input);
  const price = priceOfCharge(charge, input);
  const inputs: Record<string, TraceValue> = {
    combine: text(charge.combine),
    value: money(chargeableValue),
    nothingToCharge: yes(false),
    ...(charge.otherwise === null ? {} : { otherwise: money(charge.otherwise) }),
  };
  if (price === null)
    return node('charge', 'No line of the charge covers this cart, so it is not offered', inputs, text('not offered'));
  const handled = withHandling(charge, price);
  const outcome = money(handled);
  const children = taking.map(({ line, price: own }) => traceChargeLine(line, own, charge, input, policy));
  children.unshift(...tracePacking(charge, taking, input));
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

const weighed: ReadonlySet<ChargeMeasure> = new Set(['weight', 'chargeableWeight', 'parcels']);

/** How the goods are packed, where a line that takes part looks at parcels or at what they weigh. */
function tracePacking(
  { weighing: { packing } }: CompiledCharge,
  taking: readonly { line: CompiledChargeLine }[],
  { facts: { cart } }: ChargeInput,
): TraceNode[] {
  const looks = ({ line: { range, price } }: (typeof taking)[number]) =>
    price.quoted !== null || [range?.measure, price.edges(range)?.measure].some((one) => one && weighed.has(one));
  if (packing === null || !taking.some(looks)) return [];
  const { parcels, weight, each } = packedCart(cart, packing, 'charged');
  const inputs: Record<string, TraceValue> = { goods: number(cart.measures.charged.weight), weight: number(weight) };
  const together = 'The goods weigh {goods} g and travel in {outcome} parcels, with their packaging {weight} g';
  if (parcels === 1)
    return [
      node(
        'packing',
        'The goods weigh {goods} g and travel in one parcel, with its packaging {weight} g',
        inputs,
        number(1),
      ),
    ];
  if (cart.hypothetical) return [node('packing', together, inputs, number(parcels))];
  inputs.each = text(each.slice(0, mostNamed).map(parcelInWords).join(', ') + (each.length > mostNamed ? ', …' : ''));
  return [node('packing', `${together}: {each}`, inputs, number(parcels))];
}

/** So many unlike parcels are named. */
const mostNamed = 8;

const parcelInWords = ({ count, packed, over }: AlikeParcels): string =>
  `${count > 1 ? `${count} × ` : ''}${packed} g${over ? ' (more than a parcel may weigh)' : ''}`;

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

function traceChargeLine(
  line: CompiledChargeLine,
  price: number,
  charge: CompiledCharge,
  input: ChargeInput,
  policy: Policy,
): TraceNode {
  const inputs: Record<string, TraceValue> = { line: text(line.id), kind: text(line.price.kind) };
  let where = 'Whatever the cart';
  if (line.range) {
    const { measure, from, to } = line.range;
    const write = (value: number) => (measure === 'goodsValue' ? money(value) : number(value));
    const { name, unit } = measures[measure];
    inputs.value = write(chargeMeasureOf(measure, input.facts.cart, charge.weighing));
    inputs.from = write(from);
    if (to !== Infinity) inputs.to = write(to);
    where = `A ${name} of {value}${unit} falls in the step from {from}${unit} ${to === Infinity ? 'up' : `to below {to}${unit}`}`;
  }
  const said = line.price.says(input, charge.weighing, inputs);
  const children = line.when ? [traceCondition(line.when, input.facts, policy)] : [];
  return node('chargeLine', `${where}: ${said}`, inputs, money(price), children);
}
