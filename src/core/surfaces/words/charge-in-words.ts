import type { CountMeasure } from '../../cart/charge-measure.ts';
import { inOrder } from '../../ordered.ts';
import type { Charge, ChargeLine, DeliveryOption, Policy, PricePerUnit } from '../../policy/types.ts';
import { conditionInWords } from './condition-in-words.ts';
import type { SurfaceWriter } from './surface-writer.ts';

type Over = NonNullable<ChargeLine['over']>;

/** A stretch [from, to) of a measure; minor units for goods value. */
export interface Stretch {
  measure: Over['measure'];
  from: number;
  to: number | null;
}

/** Measures that packaging adds to. */
const isPackedMeasure = (measure: Over['measure']): boolean => measure === 'weight' || measure === 'chargeableWeight';

/** Whether goods are weighed with what they are packed in. */
export const isPacked = ({ packing }: Pick<DeliveryOption, 'packing'>, { store }: Policy): boolean => {
  const rules = packing ?? store.packing;
  return rules !== undefined && Boolean(rules.packaging ?? rules.percent ?? rules.roundUpTo);
};

/** “weight from 2 kg to below 10 kg”; null where it leaves nothing out. @param packed whether packaging counts */
export function stretchInWords({ measure, from, to }: Stretch, writer: SurfaceWriter, packed = false): string | null {
  const write = (value: number) => (measure === 'goodsValue' ? writer.money(value) : amountOf(measure, value, writer));
  const named = writer.say(measure);
  const what = packed && isPackedMeasure(measure) ? writer.say('packed', { what: named }) : named;
  if (to === null) return from === 0 ? null : writer.say('from', { what, from: write(from) });
  if (from === 0) return writer.say('below', { what, to: write(to) });
  return writer.say('between', { what, from: write(from), to: write(to) });
}

/** The name of what is counted stands beside it, so that pieces are a number. */
const amountOf = (measure: CountMeasure, count: number, writer: SurfaceWriter): string =>
  measure === 'items' || measure === 'lines' || measure === 'parcels'
    ? writer.number(count)
    : writer.count(measure, count);

/** The stretch that a line of a charge is for. */
export function stretchOf(over: Over, writer: SurfaceWriter): Stretch {
  if (over.measure !== 'goodsValue') return { measure: over.measure, from: over.from, to: over.to };
  return {
    measure: 'goodsValue',
    from: writer.minor(over.from) ?? 0,
    to: over.to === null ? null : writer.minor(over.to),
  };
}

/** A charge as shoppers read it, whichever lines and kinds of price it has. @param packed whether packaging counts */
export function chargeInWords(
  { combine, lines, otherwise, handling }: Charge,
  writer: SurfaceWriter,
  packed: boolean,
): string {
  const parts = inOrder(lines).map(([, line]) => lineInWords(line, writer, packed));
  let said = parts[0] ?? '';
  if (parts.length > 1) said = writer.say(combinations[combine], { parts: parts.join('; ') });
  if (otherwise.kind === 'price') {
    const rest = writer.amount(otherwise.price);
    said = said === '' ? rest : `${said}; ${writer.say('otherwise', { price: rest })}`;
  }
  if (said === '') return writer.say('notOffered');
  if (!handling) return said;
  const amount = 'amount' in handling ? writer.amount(handling.amount) : writer.percent(handling.percent);
  return writer.say('handling', { price: said, amount });
}

const combinations = { sum: 'added', highest: 'highest', lowest: 'lowest', first: 'first' } as const;

function lineInWords({ over, when, price }: ChargeLine, writer: SurfaceWriter, packed: boolean): string {
  const stretch = over ? stretchOf(over, writer) : null;
  const order = [
    stretch && stretchInWords(stretch, writer, packed),
    when ? conditionInWords(when, writer) : null,
  ].filter((part) => part !== null);
  const said = priceInWords(price, stretch, writer, packed);
  return order.length > 0 ? writer.say('partFor', { price: said, order: writer.clauses(order) }) : said;
}

function priceInWords(
  price: ChargeLine['price'],
  stretch: Stretch | null,
  writer: SurfaceWriter,
  packed: boolean,
): string {
  if ('carrier' in price)
    return price.fallback
      ? writer.say('carrierElse', { amount: writer.amount(price.fallback) })
      : writer.say('carrier');
  const { min, max } = price;
  let said =
    'percent' in price
      ? writer.say('share', { percent: writer.percent(price.percent) })
      : withUnits(price, stretch, writer, packed);
  if (min) said = writer.say('atLeast', { price: said, amount: writer.amount(min) });
  if (max) said = writer.say('atMost', { price: said, amount: writer.amount(max) });
  return said;
}

function withUnits(
  { fixed, perUnit }: PricePerUnit,
  stretch: Stretch | null,
  writer: SurfaceWriter,
  packed: boolean,
): string {
  if (!perUnit) return writer.amount(fixed);
  const { measure, per, started, countsFrom } = perUnit;
  const write = (count: number) => (measure === 'goodsValue' ? writer.money(count) : writer.count(measure, count));
  const plain = measure === 'goodsValue' ? writer.money(per) : writer.unit(measure, per);
  const named = measure === 'chargeableWeight' ? writer.say('chargeableUnit', { unit: plain }) : plain;
  const unit = packed && isPackedMeasure(measure) ? writer.say('packed', { what: named }) : named;
  const beyond = stretch?.measure === measure && countsFrom === undefined ? stretch.from : 0;
  // Of what comes whole, a single one is never begun.
  const whole = per === 1 && (measure === 'items' || measure === 'lines' || measure === 'parcels');
  const begun = started && !whole;
  const values = { amount: writer.amount(perUnit.amount), unit };
  const each =
    beyond > 0
      ? writer.say(begun ? 'perStartedBeyond' : 'perUnitBeyond', { ...values, from: write(beyond) })
      : writer.say(begun ? 'perStarted' : 'perUnit', values);
  return writer.minor(fixed) === 0 ? each : `${writer.amount(fixed)} + ${each}`;
}
