import { same } from '../same.ts';
import { inOrder } from '../ordered.ts';
import type { Charge, ChargeLine, LocalAmount, PricePerUnit } from '../policy/types.ts';
import type { CountMeasure } from '../cart/charge-measure.ts';

/** One step of a stepped charge: it holds from its start to the start of the next, so steps cannot gap or overlap. */
interface PresetStep<From> {
  from: From;
  price: LocalAmount;
}

/** The usual kinds of charge, each a shape of the one structure. */
export type ChargePreset =
  | { kind: 'flat'; price: LocalAmount }
  | { kind: 'perItem'; each: LocalAmount }
  | { kind: 'firstAndFurther'; first: LocalAmount; further: LocalAmount }
  /** starts in minor units */
  | { kind: 'stepsByValue'; steps: PresetStep<LocalAmount>[] }
  /** starts in the measure's unit: pieces, lines, grams, cm³, mm, grams */
  | {
      kind: 'stepsByCount';
      measure: CountMeasure;
      volumeDivisor?: number;
      steps: PresetStep<number>[];
    }
  /** base + factor for each `per` units of the measure, started ones whole or in proportion */
  | {
      kind: 'baseAndFactor';
      measure: CountMeasure;
      volumeDivisor?: number;
      base: LocalAmount;
      factor: LocalAmount;
      per: number;
      started: boolean;
    };

const nothing: LocalAmount = { exact: 0 };
const single = (line: Omit<ChargeLine, 'order'>, volumeDivisor?: number): Charge => ({
  combine: 'first',
  ...(volumeDivisor === undefined ? {} : { volumeDivisor }),
  lines: { line: { order: 1, ...line } },
  otherwise: { kind: 'notOffered' },
});

/** The charge that a preset stands for. */
export function chargeOfPreset(preset: ChargePreset): Charge {
  switch (preset.kind) {
    case 'flat':
      return single({ price: { fixed: preset.price } });
    case 'perItem':
      return single({
        price: { fixed: nothing, perUnit: { measure: 'items', amount: preset.each, per: 1, started: true } },
      });
    case 'firstAndFurther':
      return single({
        over: { measure: 'items', from: 1, to: null },
        price: { fixed: preset.first, perUnit: { measure: 'items', amount: preset.further, per: 1, started: true } },
      });
    case 'baseAndFactor': {
      const { measure, base, factor, per, started, volumeDivisor } = preset;
      return single({ price: { fixed: base, perUnit: { measure, amount: factor, per, started } } }, volumeDivisor);
    }
    case 'stepsByValue':
      return stepped(preset.steps, (from, to) => ({ measure: 'goodsValue', from, to }));
    case 'stepsByCount':
      return stepped(preset.steps, (from, to) => ({ measure: preset.measure, from, to }), preset.volumeDivisor);
  }
}

function stepped<From>(
  steps: readonly PresetStep<From>[],
  over: (from: From, to: From | null) => NonNullable<ChargeLine['over']>,
  volumeDivisor?: number,
): Charge {
  const lines = steps.map(({ from, price }, index): [string, ChargeLine] => [
    `step-${index + 1}`,
    { order: index + 1, over: over(from, steps[index + 1]?.from ?? null), price: { fixed: price } },
  ]);
  return { ...single({ price: { fixed: nothing } }, volumeDivisor), lines: Object.fromEntries(lines) };
}

/** The preset whose shape a charge has, whatever its ids and order keys; null when it has been taken beyond them all. */
export function presetOfCharge(charge: Charge): ChargePreset | null {
  if (charge.combine !== 'first' || charge.otherwise.kind !== 'notOffered' || charge.handling) return null;
  const lines = inOrder(charge.lines).map(([, line]) => line);
  const [line] = lines;
  if (!line || lines.some(({ when, price }) => when || !('fixed' in price) || price.min || price.max)) return null;
  const steps = stepsOf(charge, lines);
  if (steps) return steps;
  if (lines.length > 1 || !('fixed' in line.price)) return null;
  const { fixed, perUnit } = line.price;
  const { volumeDivisor } = charge;
  if (!perUnit) return line.over || volumeDivisor !== undefined ? null : { kind: 'flat', price: fixed };
  if (line.over) return volumeDivisor === undefined ? furtherItems(line.over, fixed, perUnit) : null;
  return perUnits(fixed, perUnit, volumeDivisor);
}

type Units = NonNullable<PricePerUnit['perUnit']>;

/** A price for the first item and one for each further: units counted from the first. */
function furtherItems(
  over: NonNullable<ChargeLine['over']>,
  first: LocalAmount,
  { measure, per, started, amount }: Units,
): ChargePreset | null {
  const fromFirstItem = over.measure === 'items' && over.from === 1 && over.to === null;
  const eachItem = measure === 'items' && per === 1 && started;
  return fromFirstItem && eachItem ? { kind: 'firstAndFurther', first, further: amount } : null;
}

/** A price for each item where nothing is fixed, else a base and a factor. */
function perUnits(base: LocalAmount, units: Units, volumeDivisor: number | undefined): ChargePreset | null {
  const { measure, amount, per, started } = units;
  if (measure === 'goodsValue') return null;
  const nothingFixed = 'exact' in base && base.exact === 0;
  if (measure === 'items' && per === 1 && started && nothingFixed && volumeDivisor === undefined)
    return { kind: 'perItem', each: amount };
  const divisor = volumeDivisor === undefined ? {} : { volumeDivisor };
  return { kind: 'baseAndFactor', measure, ...divisor, base, factor: amount, per, started };
}

/** Contiguous steps of one measure, each a plain price and the last one open. */
function stepsOf({ volumeDivisor }: Charge, lines: readonly ChargeLine[]): ChargePreset | null {
  const steps: PresetStep<LocalAmount | number>[] = [];
  const measure = lines[0]?.over?.measure;
  for (const [index, { over, price }] of lines.entries()) {
    if (!over || over.measure !== measure || !('fixed' in price) || price.perUnit) return null;
    const next = lines[index + 1]?.over?.from ?? null;
    if (!same(over.to, next)) return null;
    steps.push({ from: over.from, price: price.fixed });
  }
  if (!measure) return null;
  if (measure === 'goodsValue')
    return volumeDivisor === undefined ? { kind: 'stepsByValue', steps: steps as PresetStep<LocalAmount>[] } : null;
  return {
    kind: 'stepsByCount',
    measure,
    ...(volumeDivisor === undefined ? {} : { volumeDivisor }),
    steps: steps as PresetStep<number>[],
  };
}
