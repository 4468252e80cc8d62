import { largestAmount, multiplyDivide } from '../../money/rounding.ts';
import type { PricePerUnit } from '../../policy/types.ts';
import { money, number, yes } from '../../trace/trace.ts';
import type { ChargeInput } from '../charge-input.ts';
import { countMeasures, measures, type ChargeMeasure } from '../../cart/charge-measure.ts';
import { chargeMeasureOf } from '../charge-measure-of.ts';
import { unitInWords } from '../count-in-words.ts';
import { bounded, boundsInWords, boundsParts, boundsSchema, checkBounds, compileBounds, sayBounds } from './bounds.ts';
import type { Weighing } from '../weighing.ts';
import type { ChargeEdges, CompiledRange, PriceKindRecord, PricePart } from './price-kind.ts';

type PerUnit = NonNullable<PricePerUnit['perUnit']>;

/** An amount for each `per` units of a measure beyond `from`. */
interface CompiledUnits {
  measure: ChargeMeasure;
  from: number;
  amount: number;
  per: number;
  started: boolean;
}

/** Of a price by started units at most so many steps are told apart; beyond, it counts as a slope. */
const maxStartedSteps = 500;

/**
 * A fixed part, and an amount for each unit of a measure: fixed + amount × (measure − start) ÷ per, by started units or in
 * proportion (rounded once, half away from zero), kept between a least and a most (2-domain §4).
 */
export const perUnit: PriceKindRecord<PricePerUnit> = {
  kind: 'perUnit',
  member: 'fixed',
  definition: 'pricePerUnit',
  schema: {
    required: ['fixed'],
    properties: {
      fixed: { $ref: '#/$defs/localAmount' },
      perUnit: {
        description: "added for what the measure exceeds the range's start by",
        type: 'object',
        additionalProperties: false,
        required: ['measure', 'amount', 'per', 'started'],
        properties: {
          measure: { enum: ['goodsValue', ...countMeasures] },
          amount: { $ref: '#/$defs/localAmount' },
          per: {
            description: 'units the amount is for, such as 1000 for each kilogram; minor units for goods value',
            type: 'integer',
            minimum: 1,
            maximum: 1000000000,
          },
          countsFrom: {
            description: 'where units begin to count: where the range of the line begins when absent',
            const: 'nothing',
          },
          started: { description: 'every started unit counts whole; otherwise in proportion', type: 'boolean' },
        },
      },
      ...boundsSchema,
    },
  },
  offered: 'add a price',
  begin: () => ({ fixed: { exact: 500 } }),
  parts(price, { currency, over, free }) {
    const fixed: PricePart = { field: 'amount', at: ['fixed'], name: 'Price', value: price.fixed, testId: 'price' };
    const parts: PricePart[] = [fixed, ` ${currency}`];
    if (price.perUnit) parts.push(...unitParts(price.perUnit, over?.measure === price.perUnit.measure, free));
    if (!free) return parts;
    if (!price.perUnit) parts.push({ field: 'add', at: ['perUnit'], name: 'and for each …', value: firstUnits });
    return [...parts, ...boundsParts(price)];
  },
  inWords({ fixed, perUnit: units, ...bounds }, words) {
    const within = boundsInWords(bounds, words);
    if (!units) return `${words.amount(fixed)}${within}`;
    const { measure, per, started } = units;
    const size =
      measure === 'goodsValue' ? `${started ? 'started ' : ''}${words.money(per)}` : unitInWords(measure, per, started);
    const of = measures[measure].saysItself ? '' : ` of ${measures[measure].name}`;
    return `${words.amount(fixed)} and ${words.amount(units.amount)} for each ${size}${of}${within}`;
  },
  check(price, amount, at, fault) {
    amount(price.fixed, `${at}/fixed`);
    if (price.perUnit) amount(price.perUnit.amount, `${at}/perUnit/amount`);
    checkBounds(price, amount, at, fault);
  },
  carrierOf: () => null,
  isCertain: () => true,
  startOf: ({ fixed }) => fixed,
  compile(price, range, _terms, minor) {
    const fixed = minor(price.fixed);
    const units = price.perUnit ? compileUnits(price.perUnit, range, minor(price.perUnit.amount)) : null;
    const bounds = compileBounds(price, minor);
    return {
      kind: 'perUnit',
      quoted: null,
      priceOf: (input, weighing, path) =>
        bounded(bounds, units === null ? fixed : fixed + priceOfUnits(units, input, weighing), path),
      edges: (lineRange) => (units ? edgesOf(units, lineRange) : null),
      says(input, weighing, inputs) {
        const within = sayBounds(bounds, inputs);
        inputs.fixed = money(fixed);
        if (units === null) return within === '' ? '{outcome}' : `{fixed}${within}, which is {outcome}`;
        const { measure, amount, per, started } = units;
        const write = measure === 'goodsValue' ? money : number;
        const { unit, piece } = measures[measure];
        Object.assign(inputs, {
          beyond: write(beyondStart(units, input, weighing)),
          amount: money(amount),
          per: write(per),
          started: yes(started),
        });
        return `{fixed} and {amount} for each ${started ? 'started ' : ''}{per}${piece} of {beyond}${unit}${within}, which is {outcome}`;
      },
    };
  },
};

const firstUnits: PerUnit = { measure: 'weight', amount: { exact: 100 }, per: 1000, started: true };

function compileUnits(units: PerUnit, range: CompiledRange | null, amount: number): CompiledUnits {
  const { measure, per, started, countsFrom } = units;
  const from = range !== null && range.measure === measure && countsFrom === undefined ? range.from : 0;
  return { measure, from, amount, per, started };
}

const beyondStart = ({ measure, from }: CompiledUnits, { facts }: ChargeInput, weighing: Weighing): number =>
  Math.max(0, chargeMeasureOf(measure, facts.cart, weighing) - from);

function priceOfUnits(units: CompiledUnits, input: ChargeInput, weighing: Weighing): number {
  const { amount, per, started } = units;
  const beyond = beyondStart(units, input, weighing);
  if ((amount * beyond) / per >= largestAmount) return largestAmount;
  return started ? amount * Math.ceil(beyond / per) : multiplyDivide(amount, beyond, per);
}

function edgesOf({ measure, from, per, started }: CompiledUnits, range: CompiledRange | null): ChargeEdges {
  const edges = [from];
  if (!started) return { measure, edges, rises: true };
  const end = range !== null && range.measure === measure ? range.to : Infinity;
  for (let step = 0; step < maxStartedSteps && from + step * per + 1 < end; step++) edges.push(from + step * per + 1);
  return { measure, edges, rises: true };
}

/** @param inRange the line has a range of the same measure, so units may count from where it begins */
function unitParts(units: PerUnit, inRange: boolean, free: boolean): PricePart[] {
  const at = (field: string) => ['perUnit', field];
  const parts: PricePart[] = [
    ' and ',
    { field: 'amount', at: at('amount'), name: 'Price for each', value: units.amount },
    ' for each ',
    {
      field: 'choice',
      at: at('started'),
      name: 'Started units',
      value: units.started ? 'started' : 'exact',
      choices: [
        ['started', 'started', true],
        ['exact', 'exact share of', false],
      ],
    },
    ' ',
    { field: 'count', at: at('per'), name: 'Units', value: units.per, measure: units.measure },
    ` ${measures[units.measure].editedIn}`,
  ];
  if (inRange)
    parts.push(' counted ', {
      field: 'choice',
      at: at('countsFrom'),
      name: 'Where units begin to count',
      value: units.countsFrom ?? '',
      choices: [
        ['', 'from where the range begins', undefined],
        ['nothing', 'from nothing', 'nothing'],
      ],
    });
  if (free)
    parts.push(
      ' of ',
      {
        field: 'choice',
        at: at('measure'),
        name: 'Measure of the units',
        value: units.measure,
        choices: Object.entries(measures).map(([id, { name }]) => [id, name, id] as const),
      },
      { field: 'remove', at: ['perUnit'], name: 'price for each unit' },
    );
  return parts;
}
