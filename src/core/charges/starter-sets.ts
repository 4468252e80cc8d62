import { priceUnit } from '../money/currency.ts';
import type { DeliveryOption, LocalAmount } from '../policy/types.ts';
import { chargeOfPreset } from './presets.ts';

/** A set of options to begin with; every amount in it is a suggestion. */
export interface StarterSet {
  id: 'byValue' | 'byWeight' | 'flat' | 'local' | 'pickUp';
  name: string;
  says: string;
}

export const starterSets: readonly StarterSet[] = [
  { id: 'byValue', name: 'By goods value', says: 'one parcel, cheaper from two amounts on' },
  { id: 'byWeight', name: 'By weight', says: 'one parcel in four steps of weight' },
  { id: 'flat', name: 'Flat price', says: 'one parcel at one price, for an offer to make free' },
  {
    id: 'local',
    name: 'Local delivery',
    says: 'the morning and the afternoon, dearer from 5 km on, around a point',
  },
  { id: 'pickUp', name: 'Pick-up', says: 'collected free of charge, ready in two hours' },
];

type Option = Omit<DeliveryOption, 'order' | 'zone'>;

/**
 * The options of a starter set.
 *
 * @param languages of the market: English ones get a label, others show the name until one is written
 * @param center the point that distances of local delivery are measured from
 */
export function starterOptions(
  id: StarterSet['id'],
  currency: string,
  languages: readonly string[],
  center: { latitude: number; longitude: number },
): { id: string; option: Option }[] {
  const unit = priceUnit(currency);
  const exact = (units: number): LocalAmount => ({ exact: Math.round(units * unit) });
  const option = (name: string, rest: Pick<Option, 'kind' | 'charge' | 'estimate'> & Partial<Option>): Option => ({
    on: true,
    name,
    label: Object.fromEntries(languages.filter((tag) => tag.split('-')[0] === 'en').map((tag) => [tag, name])),
    ...rest,
  });
  const days = { min: 1, max: 3, cutOff: '16:00' };
  switch (id) {
    case 'byValue':
      return [
        {
          id: 'parcel',
          option: option('Parcel', {
            kind: 'parcel',
            estimate: days,
            charge: chargeOfPreset({
              kind: 'stepsByValue',
              steps: [
                { from: exact(0), price: exact(6) },
                { from: exact(40), price: exact(5) },
                { from: exact(100), price: exact(3) },
              ],
            }),
          }),
        },
      ];
    case 'byWeight':
      return [
        {
          id: 'parcel',
          option: option('Parcel', {
            kind: 'parcel',
            estimate: days,
            charge: chargeOfPreset({
              kind: 'stepsByCount',
              measure: 'weight',
              steps: [
                [0, 5],
                [2000, 7],
                [5000, 9],
                [10_000, 14],
              ].map(([from, price]) => ({ from: from!, price: exact(price!) })),
            }),
          }),
        },
      ];
    case 'flat':
      return [
        {
          id: 'parcel',
          option: option('Parcel', {
            kind: 'parcel',
            estimate: days,
            charge: chargeOfPreset({ kind: 'flat', price: exact(5) }),
          }),
        },
      ];
    case 'local': {
      const near = {
        of: 'all' as const,
        conditions: { near: { order: 1, kind: 'distance' as const, operator: 'lessThan' as const, center, value: 5 } },
      };
      const charge: Option['charge'] = {
        combine: 'first',
        lines: {
          near: { order: 1, when: near, price: { fixed: exact(3) } },
          far: { order: 2, price: { fixed: exact(6) } },
        },
        otherwise: { kind: 'notOffered' },
      };
      const slot = (name: string, from: string, to: string): Option =>
        option(name, {
          kind: 'localDelivery',
          estimate: { min: 0, max: 4, unit: 'hours' },
          charge,
          when: {
            of: 'all',
            conditions: {
              weekday: { order: 1, kind: 'weekday', days: [1, 2, 3, 4, 5, 6], readIn: 'store' },
              hours: { order: 2, kind: 'timeOfDay', from, to, readIn: 'store' },
            },
          },
        });
      return [
        { id: 'morning', option: slot('This morning', '06:00', '10:00') },
        { id: 'afternoon', option: slot('This afternoon', '06:00', '14:00') },
      ];
    }
    case 'pickUp':
      return [
        {
          id: 'pick-up',
          option: option('Pick-up', {
            kind: 'pickUp',
            estimate: { min: 2, max: 2, unit: 'hours', cutOff: '17:00' },
            charge: chargeOfPreset({ kind: 'flat', price: exact(0) }),
          }),
        },
      ];
  }
}
