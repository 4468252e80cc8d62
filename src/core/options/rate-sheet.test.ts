import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import type { Charge, Policy } from '../policy/types.ts';
import { checkPolicy } from '../checks/validate.ts';
import { csvOf } from '../tabular/write-csv.ts';
import { rateSheet, rateSheetColumns, readRateSheet } from './rate-sheet.ts';

const sheetOf = (zone: string, policy: Policy = demoPolicy) => csvOf(rateSheetColumns, rateSheet(policy, zone).rows);
const read = (text: string, zone = 'nlbe-all') => readRateSheet(text, demoPolicy, zone);
const taken = (charges: Map<string, Charge>): Policy => ({
  ...demoPolicy,
  options: {
    ...demoPolicy.options,
    ...Object.fromEntries([...charges].map(([id, charge]) => [id, { ...demoPolicy.options[id]!, charge }])),
  },
});

test('options as rows, one a step; what is neither flat nor steps is named', () => {
  expect(sheetOf('nlbe-all')).toBe(
    [
      'option,name,measure,from,price,currency',
      'nlbe-door,Parcel to the door,goodsValue,0.00,6.95,EUR',
      'nlbe-door,Parcel to the door,goodsValue,40.00,5.95,EUR',
      'nlbe-door,Parcel to the door,goodsValue,120.00,3.95,EUR',
      'nlbe-parcel-shop,Parcel shop,,,4.50,EUR',
      'nlbe-counter,Taken along at the counter,,,0.00,EUR',
      '',
    ].join('\r\n'),
  );
  expect(rateSheet(demoPolicy, 'nlbe-islands')).toMatchObject({
    left: ['Island flight'],
    rows: [['nlbe-islands-ferry', 'Parcel by ferry', 'weight', '0', '8.95', 'EUR'], {}, {}],
  });
});

describe('read back', () => {
  test('unchanged it changes nothing, in every zone of the demo', () => {
    for (const zone of Object.keys(demoPolicy.zones))
      expect([zone, read(sheetOf(zone), zone)]).toEqual([
        zone,
        { charges: new Map(), same: [...new Set(rateSheet(demoPolicy, zone).rows.map(([id]) => id))], rejected: [] },
      ]);
  });
  test('prices, edges and kinds change; rows may stand anywhere; semicolons and decimal commas are read', () => {
    const { charges, same, rejected } = read(
      'option;measure;from;price;currency\nnlbe-door;goodsValue;50,00;4,95;EUR\nnlbe-counter;;;0,00;EUR\nnlbe-door;goodsValue;0;7,25;EUR\nnlbe-parcel-shop;weight;0;4,50;EUR\nnlbe-parcel-shop;weight;5000;8,00;EUR\n',
    );
    expect([rejected, same]).toEqual([[], ['nlbe-counter']]);
    expect([...charges.keys()]).toEqual(['nlbe-door', 'nlbe-parcel-shop']);
    const policy = taken(charges);
    expect(checkPolicy(policy).ok).toBe(true);
    expect(
      rateSheet(policy, 'nlbe-all').rows.map(([id, , measure, from, price]) => [id, measure, from, price]),
    ).toEqual([
      ['nlbe-door', 'goodsValue', '0.00', '7.25'],
      ['nlbe-door', 'goodsValue', '50.00', '4.95'],
      ['nlbe-parcel-shop', 'weight', '0', '4.50'],
      ['nlbe-parcel-shop', 'weight', '5000', '8.00'],
      ['nlbe-counter', '', '', '0.00'],
    ]);
  });
  test('a bad row leaves its option as it is, and is named', () => {
    const { charges, rejected } = read(
      [
        'option,measure,from,price,currency',
        'nlbe-door,goodsValue,0,7.00,EUR',
        'nlbe-door,goodsValue,x,7.00,EUR',
        'nlbe-counter,,,1.234,EUR',
        'uk-tracked,,,1.00,EUR',
        'nlbe-parcel-shop,,,5.00,USD',
      ].join('\n'),
    );
    expect(charges.size).toBe(0);
    expect(rejected.map(({ line, column }) => [line, column])).toEqual([
      [4, 'price'],
      [5, 'option'],
      [6, 'currency'],
      [3, 'from'],
    ]);
  });
  test('two kinds in one option, a step twice, several rows without a measure, a missing column', () => {
    const columns = (...rows: string[]) =>
      read(['option,measure,from,price,currency', ...rows].join('\n')).rejected.map(({ column }) => column);
    expect(columns('nlbe-door,weight,0,1,EUR', 'nlbe-door,items,5,1,EUR')).toEqual(['measure']);
    expect(columns('nlbe-door,weight,0,1,EUR', 'nlbe-door,weight,0,2,EUR')).toEqual(['from']);
    expect(columns('nlbe-door,,,1,EUR', 'nlbe-door,,,2,EUR')).toEqual(['measure']);
    expect(read('option,price\nnlbe-door,1\n').rejected[0]).toMatchObject({ line: 1, column: 'measure' });
  });
});
