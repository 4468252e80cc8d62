import { expect, test } from 'vitest';
import { MarketCounter } from './propose-markets.ts';

const counted = (columns: Record<string, number>, rows: string[][]) => {
  const counter = new MarketCounter({ columns });
  for (const row of rows) counter.row(row);
  return counter.proposal();
};

test('countries paid for in one currency are one market, the one with most orders first', () =>
  expect(
    counted({ country: 0, currency: 1 }, [
      ['Sweden', 'SEK'],
      ['NL', 'EUR'],
      ['België', 'eur'],
      ['NL', 'EUR'],
    ]),
  ).toEqual({
    markets: [
      { currency: 'EUR', countries: ['NL', 'BE'], orders: 3 },
      { currency: 'SEK', countries: ['SE'], orders: 1 },
    ],
    unknown: [],
    rows: 4,
  }));
test('without a currency it is the country’s own', () =>
  expect(counted({ country: 0 }, [['Japan'], ['Norway']]).markets.map(({ currency }) => currency)).toEqual([
    'JPY',
    'NOK',
  ]));
test('a country in several currencies goes by the one of most orders, and stands in one market', () =>
  expect(
    counted({ country: 0, currency: 1 }, [
      ['CH', 'EUR'],
      ['CH', 'CHF'],
      ['CH', 'CHF'],
    ]).markets,
  ).toEqual([{ currency: 'CHF', countries: ['CH'], orders: 3 }]));
test('what is no country is told and left out', () =>
  expect(counted({ country: 0 }, [['Atlantis'], [''], ['constructor'], ['NL']])).toMatchObject({
    markets: [{ countries: ['NL'] }],
    unknown: ['Atlantis', 'constructor'],
    rows: 4,
  }));
