import { expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { toDecimal } from '../money/decimal.ts';
import { ChargeWords } from './charge-in-words.ts';

const said = (id: string) => {
  const option = demoPolicy.options[id]!;
  const marketId = demoPolicy.zones[option.zone]!.market;
  return new ChargeWords(demoPolicy, marketId, (minor) =>
    toDecimal(minor, demoPolicy.markets[marketId]!.currency),
  ).charge(option.charge);
};

test.each([
  ['nlbe-door', '6.95, 5.95 from 40.00, 3.95 from 120.00'],
  ['nlbe-parcel-shop', '4.50'],
  ['nlbe-islands-ferry', '8.95, 11.95 from 2 kg, 18.95 from 10 kg'],
  ['nlbe-islands-air', 'what island-air quotes and 12.5 % and 1.50, nothing when it is silent'],
  ['nlbe-round-van', '2.50 and 0.50 for each item, at most 6.00'],
  ['deat-express', 'what gale-express quotes and 10 % and 0.50, 14.90 when it is silent'],
  [
    'deat-austria-door',
    'the highest of what applies: 6.90 and 1.20 for each started kg of weight; 9.90 and 0.15 for each 1000 cm³ of volume',
  ],
  [
    'uk-highlands-parcel',
    'the lowest of what applies: 18 % of the goods, after discounts, without tax, at least 9.00; 14.50; plus handling of 5 %',
  ],
  ['dk-door', '59.00 from 1 line to below 4 lines of number of lines; otherwise 69.00'],
  ['dk-parcel-shop', '39.00 for the first item, 5.00 for each further one'],
  ['ch-economy', '5.90 and 0.85 for each kg'],
  ['us-far-economy', '9.95 an item'],
  ['jp-air', '1200 and 300 for each started 500 g of chargeable weight; plus handling of 150'],
])('%s: %s', (id, words) => expect(said(id)).toBe(words));
