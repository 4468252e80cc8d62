import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../../demo/products.ts';
import { guessMapping, missingIn, type ImportMapping } from './mapping.ts';
import { OrderRows, type ImportedOrder, type RowFault } from './order-rows.ts';
import { afterRow, productIdOf, ProductRows } from './product-rows.ts';
import { SeenNumbers } from './seen-numbers.ts';

const bytes = (text: string) => new TextEncoder().encode(text);

function readOrders(
  text: string,
  change: Partial<ImportMapping> = {},
): { orders: ImportedOrder[]; faults: RowFault[]; rounded: number; mapping: ImportMapping } {
  const { mapping: guessed, sample } = guessMapping('orders', bytes(text), true);
  const mapping = { ...guessed, ...change };
  const orders: ImportedOrder[] = [];
  const faults: RowFault[] = [];
  const rows = new OrderRows(demoPolicy, mapping, sample.heading, {
    order: (order) => orders.push(order),
    fault: (fault) => faults.push(fault),
  });
  for (const [i, row] of sample.rows.entries()) rows.row(row, i + 2);
  rows.flush();
  return { orders, faults, rounded: rows.rounded, mapping };
}

describe('guessing', () => {
  test('headings of several languages', () => {
    const columns = (heading: string) => guessMapping('orders', bytes(`${heading}\n`), true).mapping.columns;
    expect(columns('Bestelnummer;Datum;Land;Valuta;Subtotaal;Verzendkosten;Korting')).toEqual({
      number: 0,
      placedAt: 1,
      country: 2,
      currency: 3,
      goods: 4,
      delivery: 5,
      discount: 6,
    });
    expect(columns('Bestellnummer;Bestelldatum;Lieferland;Währung;Warenwert;Versandkosten;Rabatt;PLZ')).toEqual({
      number: 0,
      placedAt: 1,
      country: 2,
      currency: 3,
      goods: 4,
      delivery: 5,
      discount: 6,
      postcode: 7,
    });
    expect(columns('Numéro de commande;Date de commande;Pays;Devise;Sous-total;Frais de livraison')).toEqual({
      number: 0,
      placedAt: 1,
      country: 2,
      currency: 3,
      goods: 4,
      delivery: 5,
    });
    expect(columns('Ordrenummer;Ordredato;Land;Beløb;Vægt')).toMatchObject({
      number: 0,
      country: 2,
      goods: 3,
      weight: 4,
    });
    expect(columns('orderId,createdAt,countryCode,subTotal,shippingAmount,customerEmail')).toEqual({
      number: 0,
      placedAt: 1,
      country: 2,
      goods: 3,
      delivery: 4,
      customer: 5,
    });
  });
  test('subtotal before total; a total alone holds delivery', () => {
    expect(guessMapping('orders', bytes('order,date,country,total,subtotal\n'), true).mapping).toMatchObject({
      columns: { goods: 4 },
      goods: 'afterDiscount',
    });
    expect(guessMapping('orders', bytes('order,date,country,total\n'), true).mapping).toMatchObject({
      columns: { goods: 3 },
      goods: 'withDelivery',
    });
  });
  test('a column for SKUs, or numbers that repeat, mean a row a line', () => {
    expect(
      guessMapping(
        'orders',
        bytes('order,date,country,subtotal\n1,2025-01-01,NL,5\n1,2025-01-01,NL,5\n2,2025-01-01,NL,5\n'),
        true,
      ).mapping.rows,
    ).toBe('lines');
    expect(
      guessMapping('orders', bytes('order,date,country,subtotal\n1,2025-01-01,NL,5\n2,2025-01-01,NL,5\n'), true).mapping
        .rows,
    ).toBe('orders');
  });
  test('a column of shares is no amount of discount, one of amounts is', () => {
    const columns = (...discounts: string[]) =>
      guessMapping(
        'orders',
        bytes(
          `order;date;country;subtotal;discount\n${discounts.map((discount, index) => `${index};2025-01-01;NL;5;${discount}`).join('\n')}\n`,
        ),
        true,
      ).mapping.columns;
    for (const shares of [
      ['0', '0.2', '0.15'],
      ['0', '0,2'],
      ['20%', '', '5 %'],
    ])
      expect(columns(...shares).discount).toBeUndefined();
    for (const amounts of [
      ['0', '2.50'],
      ['0', '0'],
      ['1', '1'],
    ])
      expect(columns(...amounts).discount).toBe(4);
  });
  test.each(['SKU', 'Article no', 'Article number', 'Item no', 'Art. nr', 'Product no'])(
    '“%s” names the product',
    (heading) => {
      expect(guessMapping('products', bytes(`${heading};Name;Price EUR\n`), true).mapping.columns).toMatchObject({
        sku: 0,
      });
      expect(
        guessMapping('orders', bytes(`Order number;Date;Country;${heading};Quantity;Line total\n`), true).mapping,
      ).toMatchObject({ rows: 'lines', columns: { product: 3 } });
    },
  );
  test('what is missing is named', () => {
    expect(missingIn(guessMapping('orders', bytes('a,b\n1,2\n'), true).mapping)).toEqual([
      'a column for the order number',
      'a column for the date',
      'a column for the country or the market, or one market for all orders',
      'a column for the goods value',
    ]);
    expect(missingIn(guessMapping('products', bytes('SKU;Name;Price EUR;GBP\n'), true).mapping)).toEqual([]);
    const units = (heading: string) => {
      const { weights, sizes } = guessMapping('products', bytes(`SKU;Name;${heading}\n`), true).mapping;
      return [weights, sizes];
    };
    expect(units('Weight (lb);Length (in)')).toEqual(['lb', 'in']);
    expect(units('Weight (kg);Length (cm)')).toEqual(['kg', 'cm']);
    expect(units('Weight;Length')).toEqual(['g', 'mm']);
    expect(guessMapping('products', bytes('SKU;Name;Price EUR;GBP;Weight (kg)\n'), true).mapping).toMatchObject({
      columns: { 'price:EUR': 2, 'price:GBP': 3, weight: 4 },
      weights: 'kg',
    });
  });
});

describe('orders, a row each', () => {
  const heading =
    'Order number;Date;Country;Currency;Goods value;Delivery charged;Delivery option;Weight (kg);Customer;New customer\n';
  test('everything a row says', () => {
    const { orders, faults } = readOrders(
      `${heading}A-1;14.03.2025 18:30;Netherlands;EUR;"1.234,50";5,95;Parcel to the door;1,25;Somebody@Example.com;yes\n`,
      { dates: 'dmy', decimal: 'comma' },
    );
    expect(faults).toEqual([]);
    expect(orders[0]).toEqual({
      number: 'A-1',
      placedAt: Date.parse('2025-03-14T17:30Z'),
      marketId: 'nlbe',
      country: 'NL',
      region: '',
      postcode: '',
      currency: 'EUR',
      goods: 123450,
      discount: null,
      tax: null,
      delivery: 595,
      option: 'nlbe-door',
      items: null,
      grams: 1250,
      returning: false,
      customer: 'somebody@example.com',
      code: '',
      lines: [],
    });
  });
  test('each fault names line, column and reason, and the other rows are taken', () => {
    const { orders, faults } = readOrders(
      `${heading}A-1;2025-03-14;NL;EUR;10.00;;;;;\n;2025-03-14;NL;EUR;10.00;;;;;\nA-3;14/03/2025;NL;EUR;10.00;;;;;\nA-4;2025-03-14;Atlantis;EUR;10.00;;;;;\nA-5;2025-03-14;GB;EUR;10.00;;;;;\nA-6;2025-03-14;NL;EUR;10,00;;;;;\nA-7;2025-03-14;NL;EUR;;;;;;\nA-8;2025-03-14;NL\nA-9;2025-03-14;NL;EUR;10.00;-1;;;;\nA-10;2025-03-14;NL;EUR;10.00;;;;;perhaps\n`,
      { decimal: 'point', dates: 'ymd' },
    );
    expect(orders.map(({ number }) => number)).toEqual(['A-1']);
    expect(faults.map(({ line, column, reason }) => [line, column, reason])).toEqual([
      [3, 'Order number', 'is empty'],
      [4, 'Date', 'is not a date in the form year-month-day'],
      [5, 'Country', 'is not a country that is known by this name or code'],
      [6, 'Currency', 'is not GBP, the currency of United Kingdom'],
      [7, 'Goods value', 'is not a number with a decimal point'],
      [8, 'Goods value', 'is empty'],
      [9, '', 'has 3 fields where the heading has 10'],
      [10, 'Delivery charged', 'is less than nothing'],
      [11, 'New customer', 'says neither new nor returning, neither yes nor no'],
    ]);
  });
  test('a goods value before discounts, or with delivery in it', () => {
    const text = 'Order number,Date,Country,Subtotal,Discount,Delivery charged\nA,2025-03-14,NL,50.00,-5.00,4.50\n';
    expect(readOrders(text, { goods: 'beforeDiscount' }).orders[0]).toMatchObject({ goods: 4500, discount: 500 });
    expect(readOrders(text, { goods: 'withDelivery' }).orders[0]).toMatchObject({ goods: 4550 });
  });
  test('one market for all, a market by its name, a country no market sells to', () => {
    expect(readOrders('Order number,Date,Subtotal\nA,2025-03-14,50\n', { market: 'uk' }).orders[0]).toMatchObject({
      marketId: 'uk',
      country: 'GB',
      currency: 'GBP',
      goods: 5000,
    });
    expect(readOrders('Order number,Date,Market,Subtotal\nA,2025-03-14,japan,5000\n').orders[0]).toMatchObject({
      marketId: 'jp',
      goods: 5000,
    });
  });
  test('bytes that were not text in the encoding are refused where they are read', () => {
    const { faults } = readOrders('Order number,Date,Country,Subtotal,Postcode\nA,2025-03-14,NL,50,17\ufffd99\n');
    expect(faults[0]).toMatchObject({
      column: 'Postcode',
      reason: 'has bytes that are not text in the chosen encoding',
    });
  });
  test('amounts with more decimals are counted', () => {
    expect(
      readOrders('Order number,Date,Country,Subtotal\nA,2025-03-14,NL,49.5868\nB,2025-03-14,NL,49.5000\n'),
    ).toMatchObject({ rounded: 1 });
  });
});

describe('orders, a row a line', () => {
  const heading = 'Order number,Date,Country,SKU,Quantity,Line value\n';
  test('lines that follow each other become one order', () => {
    const { orders } = readOrders(
      `${heading}A,2025-03-14,NL,GK-1,2,10.00\nA,2025-03-14,NL,GK-2,1,5.50\nB,2025-03-15,NL,GK-1,1,5.00\nA,2025-03-14,NL,GK-1,1,5.00\n`,
    );
    expect(orders.map(({ number, goods, items, lines }) => ({ number, goods, items, lines }))).toEqual([
      {
        number: 'A',
        goods: 1550,
        items: 3,
        lines: [
          ['GK-1', 2],
          ['GK-2', 1],
        ],
      },
      { number: 'B', goods: 500, items: 1, lines: [['GK-1', 1]] },
      { number: 'A', goods: 500, items: 1, lines: [['GK-1', 1]] },
    ]);
  });
  test('one bad line takes the whole order with it, and every line of it is named', () => {
    const { orders, faults } = readOrders(
      `${heading}A,2025-03-14,NL,GK-1,2,10.00\nA,2025-03-14,NL,GK-2,some,5.50\nA,2025-03-14,NL,GK-3,1,5.00\nB,2025-03-15,NL,GK-1,1,5.00\n`,
    );
    expect(orders.map(({ number }) => number)).toEqual(['B']);
    expect(faults.map(({ line, reason }) => [line, reason])).toEqual([
      [2, 'another row of the same order was not taken'],
      [3, 'is not a whole number of pieces'],
      [4, 'another row of the same order was not taken'],
    ]);
  });
});

describe('products', () => {
  const read = (text: string, change: Partial<ImportMapping> = {}) => {
    const { mapping, sample } = guessMapping('products', bytes(text), true);
    const rows = new ProductRows(demoPolicy, { ...mapping, ...change }, sample.heading);
    return sample.rows.map((row, i) => rows.read(row, i + 2));
  };
  test('a new one, with its price in every market of a currency', () => {
    const [row] = read(
      'SKU;Name;Price EUR;GBP;Weight (kg);Length (cm);Width (cm);Height (cm);Category;Tags;Ships free\nN-1;Sea anchor;19,90;17,50;0,85;30;20;6;Anchors;heavy|New stock;no\n',
    );
    if (!row?.ok) throw new Error('not read');
    const product = afterRow(null, row.product, productIdOf('N-1'));
    expect(product).toMatchObject({
      id: 'n-1',
      sku: 'N-1',
      name: 'Sea anchor',
      prices: { nlbe: 1990, deat: 1990, uk: 1750 },
      weightGrams: 850,
      sizeMm: [300, 200, 60],
      categories: ['anchors'],
      tags: ['heavy', 'new-stock'],
      shipsFree: false,
      needsDelivery: true,
    });
  });
  test('what a file does not say stays as it was', () => {
    const before = demoProducts[0]!;
    const [row] = read(`SKU,Name,Price EUR\n${before.sku},Renamed,41.00\n`);
    if (!row?.ok) throw new Error('not read');
    expect(afterRow(before, row.product, 'unused')).toEqual({
      ...before,
      name: 'Renamed',
      prices: { ...before.prices, nlbe: 4100, deat: 4100 },
    });
  });
  test('faults name column and reason', () => {
    const faults = read('SKU,Name,Price EUR,Needs delivery\n,x,1,yes\nA,,1,yes\nA,x,1.2.3,yes\nA,x,1,sometimes\n', {
      decimal: 'point',
    }).map((row) => (row.ok ? null : [row.fault.column, row.fault.reason]));
    expect(faults).toEqual([
      ['SKU', 'is empty'],
      ['Name', 'is empty'],
      ['Price EUR', 'is not a price in EUR with a decimal point'],
      ['Needs delivery', 'says neither yes nor no'],
    ]);
  });
  test('ids have the letters that ids may have', () => {
    expect(['GK 10/A', 'Éclair', '***', 'constructor'].map(productIdOf)).toEqual([
      'gk-10-a',
      'e-clair',
      'product',
      'product-constructor',
    ]);
  });
});

test('numbers seen before are told with their line, a hundred thousand of them', () => {
  const seen = new SeenNumbers();
  for (let i = 0; i < 100_000; i++) expect(seen.lineBefore(`GK-${i}`, i + 2)).toBe(0);
  for (const i of [0, 1, 77_777, 99_999]) expect(seen.lineBefore(`GK-${i}`, 1)).toBe(i + 2);
});
