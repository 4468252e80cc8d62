import type { Measures } from '../cart/measures.ts';
import { chargeMeasure, type ChargeMeasure } from '../charges/charge-measure.ts';
import { lineApplies, priceOfCharge, priceOfLine, type CompiledCharge, type CompiledChargeLine } from '../charges/charge.ts';
import { partsOfPrice } from '../charges/price-before.ts';
import { toCashIncrement } from '../money/rounding.ts';
import type { PlaceFound } from '../places/find-zone.ts';
import { money, node, number, percent, text, yes, type TraceNode, type TraceValue } from '../trace/trace.ts';
import type { CompiledOption, CompiledZone } from './compile.ts';
import type { Evaluation, EvaluationInput, OptionPrice } from './evaluation.ts';

/** The tree of decisions behind an evaluation, complete enough to recompute each price by hand. */
export function traceEvaluation(place: PlaceFound, input: EvaluationInput, evaluation: Evaluation): TraceNode {
  const children = [tracePlace(place, input)];
  if (evaluation.measures && evaluation.marketId) children.push(traceMeasures(input, evaluation.measures, evaluation.marketId));
  if (place.found && evaluation.measures) {
    for (const option of place.zone.options) {
      const price = evaluation.options.find((candidate) => candidate.optionId === option.id) ?? null;
      if (evaluation.noOptions !== 'nothingToDeliver') children.push(traceOption(option, place.zone, evaluation.measures, price));
    }
  }
  return node('evaluation', 'What this shopper is offered: {outcome}', {}, text(outcomeOf(evaluation)), children);
}

function outcomeOf(evaluation: Evaluation): string {
  const offered = evaluation.options.length;
  if (offered > 0) return offered === 1 ? '1 delivery option' : `${offered} delivery options`;
  return {
    noMarket: 'nothing, no market sells to this country',
    noZone: 'nothing, no zone covers this destination',
    nothingToDeliver: 'no delivery is needed',
    zoneWithoutOptions: 'nothing, the zone has no delivery option',
    noneApplies: 'nothing, no delivery option applies to this cart',
  }[evaluation.noOptions ?? 'noneApplies'];
}

function tracePlace(place: PlaceFound, { destination }: EvaluationInput): TraceNode {
  const inputs = { country: text(destination.country), region: text(destination.region ?? 'none given'), postcode: text(destination.postcode || 'none given') };
  if (!place.market) return node('place', '{country} belongs to no market', inputs, text('no market'));
  const market = { ...inputs, market: text(place.market.market.name) };
  if (!place.found) return node('place', '{country} belongs to {market}, but no zone of it covers this destination', market, text('no zone'));
  const how = {
    wholeMarket: 'which covers the whole market',
    country: 'which names that country',
    region: 'which names that region',
    postcode: 'which names that postcode',
    radius: 'which lies within that distance',
  }[place.by];
  return node('place', `{country} belongs to {market}; its zone is {outcome}, ${how}`, market, text(place.zone.zone.name));
}

function traceMeasures({ cart }: EvaluationInput, measures: Measures, marketId: string): TraceNode {
  const lines = cart.lines.map(({ product, quantity }) => {
    const price = product.prices[marketId];
    const remarks = [
      price === undefined ? 'has no price in this market, taken as nothing' : '',
      product.countsTowardGoals ? '' : 'does not count toward goals',
      product.needsDelivery ? '' : 'needs no delivery',
      product.needsDelivery && product.shipsFree ? 'ships free' : '',
      product.needsDelivery && !product.shipsFree && product.ownDelivery?.[marketId] !== undefined ? 'has its own delivery price' : '',
    ].filter(Boolean);
    const says = `{quantity} × {product} at {price} is {outcome}${remarks.length ? ` (${remarks.join(', ')})` : ''}`;
    return node(
      'line',
      says,
      {
        quantity: number(quantity),
        product: text(product.name),
        price: money(price ?? 0),
        counts: yes(product.countsTowardGoals),
        needsDelivery: yes(product.needsDelivery),
        shipsFree: yes(product.shipsFree),
        ownDelivery: money(product.ownDelivery?.[marketId] ?? 0),
      },
      money((price ?? 0) * quantity),
    );
  });
  return node(
    'measures',
    'The goods come to {goods}, of which {counted} count toward goals and {chargeable} are charged in the ordinary way',
    { goods: money(measures.goodsValue), counted: money(measures.countedValue), chargeable: money(measures.chargeableValue), own: money(measures.ownDelivery) },
    money(measures.goodsValue),
    lines,
  );
}

function traceOption(option: CompiledOption, zone: CompiledZone, measures: Measures, price: OptionPrice | null): TraceNode {
  const name = text(option.option.name);
  const charge = traceCharge(option, measures);
  if (!price) return node('option', '{option} is not offered', { option: name, id: text(option.id) }, text('not offered'), [charge]);
  const children = [charge];
  const own = partsOfPrice(option, measures)?.own ?? 0;
  if (own > 0) children.push(node('ownDelivery', 'Goods with an own delivery price add {outcome}', {}, money(own)));
  for (const offer of zone.offers) {
    for (const goal of offer.goals) children.push(traceGoal(offer.offer.name, offer.id === price.offerId && goal.id === price.goalId, goal, option.id, measures));
  }
  children.push(
    node('tax', 'The price contains {outcome} tax at {rate}', { price: money(price.after), rate: percent(zone.market.market.tax.delivery) }, money(price.tax)),
  );
  const says = price.before === price.after ? '{option} costs {outcome}' : '{option} costs {outcome} instead of {before}';
  return node('option', says, { option: name, id: text(option.id), before: money(price.before) }, money(price.after), children);
}

function traceCharge(option: CompiledOption, measures: Measures): TraceNode {
  if (option.option.kind === 'parcel' && measures.items > 0 && !measures.hasOrdinaryLine) {
    const says = measures.allShipsFree ? 'Everything in the cart ships free: {outcome}' : 'Nothing in the cart is charged in the ordinary way: {outcome}';
    return node('charge', says, { allShipsFree: yes(measures.allShipsFree) }, money(0));
  }
  const { charge, cashIncrement } = option;
  const applying = charge.lines.filter((line) => lineApplies(line, charge, measures));
  const used = charge.combine === 'first' ? applying.slice(0, 1) : applying;
  const lines = used.map((line) => traceLine(line, charge, measures));
  const price = priceOfCharge(charge, measures);
  const inputs = { combine: text(charge.combine), value: money(measures.chargeableValue), increment: number(cashIncrement ?? 1) };
  if (price === null) return node('charge', 'No line of the charge covers this cart, so it is not offered', inputs, text('not offered'));
  const outcome = money(toCashIncrement(price, cashIncrement));
  if (used.length === 0) return node('charge', 'No line of the charge covers this cart; otherwise it is {outcome}', inputs, outcome);
  const says = { first: 'The first line that applies', sum: 'The sum of the lines that apply', highest: 'The highest of the lines that apply', lowest: 'The lowest of the lines that apply' }[charge.combine];
  return node('charge', `${says} is the charge: {outcome}`, inputs, outcome, lines);
}

/** How a measure is written in a sentence, and its unit. */
const measureWords: Record<ChargeMeasure, { name: string; unit: string }> = {
  goodsValue: { name: 'a goods value', unit: '' },
  items: { name: 'a number of items', unit: '' },
  lines: { name: 'a number of lines', unit: '' },
  weight: { name: 'a weight', unit: ' g' },
  volume: { name: 'a volume', unit: ' cm³' },
  longestSide: { name: 'a longest side', unit: ' mm' },
  chargeableWeight: { name: 'a chargeable weight', unit: ' g' },
};

function traceLine(line: CompiledChargeLine, charge: CompiledCharge, measures: Measures): TraceNode {
  const inputs: Record<string, TraceValue> = { line: text(line.id), fixed: money(line.fixed), min: money(line.min) };
  const says: string[] = [];
  if (line.range) {
    const { measure, from, to } = line.range;
    const write = (value: number) => (measure === 'goodsValue' ? money(value) : number(value));
    const { name, unit } = measureWords[measure];
    inputs.value = write(chargeMeasure(measure, measures, charge.volumeDivisor));
    inputs.from = write(from);
    if (to !== Infinity) inputs.to = write(to);
    says.push(`${name.charAt(0).toUpperCase()}${name.slice(1)} of {value}${unit} falls in the step from {from}${unit} ${to === Infinity ? 'up' : `to below {to}${unit}`}`);
  } else says.push('Whatever the cart');
  says.push(line.perUnit ? ': {fixed}' : ': {outcome}');
  if (line.perUnit) {
    const { measure, from, amount, per, started } = line.perUnit;
    const { unit } = measureWords[measure];
    inputs.beyond = number(Math.max(0, chargeMeasure(measure, measures, charge.volumeDivisor) - from));
    inputs.amount = money(amount);
    inputs.per = number(per);
    inputs.started = yes(started);
    says.push(` and {amount} for each ${started ? 'started ' : ''}{per}${unit || ` ${measure === 'lines' ? 'line' : 'item'}`} of {beyond}${unit}`);
    if (line.min > 0) says.push(', at least {min}');
  }
  if (line.max !== Infinity) {
    inputs.max = money(line.max);
    says.push(', at most {max}');
  }
  if (line.perUnit) says.push(', which is {outcome}');
  return node('line', says.join(''), inputs, money(priceOfLine(line, charge, measures)));
}

function traceGoal(offerName: string, decides: boolean, goal: CompiledZone['offers'][number]['goals'][number], optionId: string, measures: Measures): TraceNode {
  const inputs = { offer: text(offerName), target: money(goal.target), counted: money(measures.countedValue), remaining: money(Math.max(0, goal.target - measures.countedValue)) };
  if (measures.countedValue < goal.target) {
    return node('goal', '“{offer}” is not reached: {counted} of at least {target}, {remaining} to go', inputs, text('not reached'));
  }
  const covering = goal.rewards.filter((reward) => reward.options.has(optionId));
  if (covering.length === 0) return node('goal', '“{offer}” is reached, but does not apply to this option', inputs, text('does not apply'));
  const covers = covering.some((reward) => reward.reward.coversOwnDelivery);
  const says = `“{offer}” is reached: {counted} is at least {target}, so delivery is free${
    covers || measures.ownDelivery === 0 ? '' : ' but for goods with an own delivery price'
  }${decides ? '' : ' (it does not lower the price)'}`;
  return node('goal', says, { ...inputs, coversOwnDelivery: yes(covers) }, text(decides ? 'sets the price' : 'changes nothing'));
}
