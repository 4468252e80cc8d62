import { same } from '../../core/same.ts';
import { starterOptions, type StarterSet } from '../../core/charges/starter-sets.ts';
import { priceKindOf } from '../../core/charges/prices/registry.ts';
import { chargeOfPreset, presetOfCharge, type ChargePreset } from '../../core/charges/presets.ts';
import { copyOption } from '../../core/options/copy-option.ts';
import { inOrder, orderAfterLast } from '../../core/ordered.ts';
import type { Charge, ChargeLine, CountMeasure, DeliveryOption, LocalAmount } from '../../core/policy/types.ts';
import type { Edit } from './edit.ts';
import { freshId, inTurn, setAt } from './set-at.ts';

export const setOption = (option: string, field: keyof DeliveryOption, value: unknown): Edit =>
  setAt(['options', option, field], value);

export const setCharge = (option: string, charge: Charge): Edit => setAt(['options', option, 'charge'], charge);

export const setLine = (option: string, line: string, steps: readonly string[], value: unknown): Edit =>
  setAt(['options', option, 'charge', 'lines', line, ...steps], value);

/** The options of a starter set at the end of a zone's list. */
export const addStarterSet =
  (zoneId: string, set: StarterSet['id'], center: { latitude: number; longitude: number }): Edit =>
  (policy) => {
    const market = policy.markets[policy.zones[zoneId]?.market ?? ''];
    if (!market) return [];
    const edits = starterOptions(set, market.currency, market.languages, center).map(
      ({ id, option }): Edit =>
        (current) =>
          setAt(['options', freshId(`${zoneId}-${id}`, current.options)], {
            order: orderAfterLast(current.options),
            zone: zoneId,
            ...option,
          } satisfies DeliveryOption)(current),
    );
    return inTurn(...edits)(policy);
  };

/** An edge between steps moved: every range of the charge that begins or ends there moves along, so that no gap opens. */
export const moveEdge =
  (
    option: string,
    measure: NonNullable<ChargeLine['over']>['measure'],
    from: LocalAmount | number,
    to: LocalAmount | number,
  ): Edit =>
  (policy) => {
    const is = (bound: LocalAmount | number | null) => bound !== null && same(bound, from);
    return inOrder(policy.options[option]?.charge.lines ?? {}).flatMap(([id, { over }]) => {
      if (over?.measure !== measure) return [];
      return [
        ...(is(over.from) ? setLine(option, id, ['over', 'from'], to)(policy) : []),
        ...(is(over.to) ? setLine(option, id, ['over', 'to'], to)(policy) : []),
      ];
    });
  };

/** A step added above the last one of a stepped charge, at twice its start. */
export const addStep =
  (option: string): Edit =>
  (policy) => {
    const charge = policy.options[option]?.charge;
    const preset = charge && presetOfCharge(charge);
    if (preset?.kind === 'stepsByValue') {
      const last = preset.steps.at(-1)!;
      const start = 'exact' in last.from ? last.from.exact : 0;
      return setCharge(
        option,
        chargeOfPreset({
          ...preset,
          steps: [...preset.steps, { from: { exact: start > 0 ? start * 2 : 5000 }, price: last.price }],
        }),
      )(policy);
    }
    if (preset?.kind === 'stepsByCount') {
      const last = preset.steps.at(-1)!;
      return setCharge(
        option,
        chargeOfPreset({
          ...preset,
          steps: [...preset.steps, { from: last.from > 0 ? last.from * 2 : 1000, price: last.price }],
        }),
      )(policy);
    }
    return [];
  };

/** A line taken out; the step before one of contiguous steps takes its range over. */
export const removeLine =
  (option: string, line: string): Edit =>
  (policy) => {
    const charge = policy.options[option]?.charge;
    if (!charge) return [];
    const lines = inOrder(charge.lines);
    const index = lines.findIndex(([id]) => id === line);
    const gone = lines[index]?.[1].over;
    const [beforeId, before] = lines[index - 1] ?? [];
    const closes = presetOfCharge(charge) !== null && gone && before?.over && beforeId;
    return inTurn(
      ...(closes ? [setLine(option, beforeId, ['over', 'to'], gone.to)] : []),
      setLine(option, line, [], undefined),
    )(policy);
  };

export const addLine =
  (option: string, price: ChargeLine['price']): Edit =>
  (policy) => {
    const lines = policy.options[option]?.charge.lines ?? {};
    return setLine(option, freshId('line', lines), [], { order: orderAfterLast(lines), price } satisfies ChargeLine)(
      policy,
    );
  };

/** A charge of another kind that begins at the price of the one before. */
export function chargeLike(kind: ChargePreset['kind'], charge: Charge): Charge {
  const preset = presetOfCharge(charge);
  const first = inOrder(charge.lines)[0]?.[1].price;
  const price: LocalAmount =
    preset?.kind === 'perItem' ? preset.each : ((first && priceKindOf(first).startOf(first)) ?? { exact: 500 });
  switch (kind) {
    case 'flat':
      return chargeOfPreset({ kind, price });
    case 'perItem':
      return chargeOfPreset({ kind, each: price });
    case 'firstAndFurther':
      return chargeOfPreset({ kind, first: price, further: price });
    case 'stepsByValue':
      return chargeOfPreset({
        kind,
        steps: [
          { from: { exact: 0 }, price },
          { from: { exact: 5000 }, price },
        ],
      });
    case 'stepsByCount':
      return chargeOfPreset({
        kind,
        measure: 'weight',
        steps: [
          { from: 0, price },
          { from: 2000, price },
        ],
      });
    case 'baseAndFactor':
      return chargeOfPreset({ kind, measure: 'weight', base: price, factor: { exact: 100 }, per: 1000, started: true });
  }
}

/** Options copied to the end of a zone's list, amounts converted; as one edit. */
export const copyOptions = (options: readonly string[], zoneId: string, step: number): Edit =>
  inTurn(
    ...options.map((id): Edit => (policy) => {
      const copy = copyOption(policy, id, zoneId, step);
      return copy.ok
        ? setAt(['options', freshId(`${zoneId}-${copy.option.name}`, policy.options)], {
            ...copy.option,
            order: orderAfterLast(policy.options),
          })(policy)
        : [];
    }),
  );

/** The same prices, taken beyond the usual kinds: otherwise at the price of the last line, so that nothing ceases to be offered. */
export const takeBeyondPresets =
  (option: string): Edit =>
  (policy) => {
    const last = inOrder(policy.options[option]?.charge.lines ?? {}).at(-1)?.[1].price;
    return setAt(['options', option, 'charge', 'otherwise'], {
      kind: 'price',
      price: (last && priceKindOf(last).startOf(last)) ?? { exact: 500 },
    })(policy);
  };

/** The measure that steps or units of a charge look at. */
export const setMeasure =
  (option: string, measure: CountMeasure): Edit =>
  (policy) =>
    inOrder(policy.options[option]?.charge.lines ?? {}).flatMap(([id, { over, price }]) => [
      ...(over ? setLine(option, id, ['over', 'measure'], measure)(policy) : []),
      ...('fixed' in price && price.perUnit
        ? setLine(option, id, ['price', 'perUnit', 'measure'], measure)(policy)
        : []),
    ]);

/** The opening hours of a pick-up place on a weekday; none is closed, and closed every day is none stated. */
export const setHours =
  (place: string, weekday: string, spans: readonly { from: string; to: string }[]): Edit =>
  (policy) => {
    // A place without hours is always open: it stays so on the days of which nothing is said.
    const known =
      policy.places?.[place]?.hours ??
      Object.fromEntries(['1', '2', '3', '4', '5', '6', '7'].map((day) => [day, [{ from: '00:00', to: '00:00' }]]));
    const hours = Object.entries({ ...known, [weekday]: spans }).filter(([, list]) => list.length > 0);
    const always =
      hours.length === 7 &&
      hours.every(([, list]) => list.length === 1 && list[0]!.from === '00:00' && list[0]!.to === '00:00');
    return setAt(['places', place, 'hours'], always ? undefined : Object.fromEntries(hours))(policy);
  };
