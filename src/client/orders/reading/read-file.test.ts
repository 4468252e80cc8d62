import { describe, expect, test } from 'vitest';
import { generateOrders } from '../../../../demo/generate-orders.ts';
import { exportHeading, orderExport } from '../../../../demo/order-export.ts';
import { readableDemoOrders } from '../../../../tests/support/readable-demo-orders.ts';
import { guessMapping } from '../../../core/imports/mapping.ts';
import { readFileOfOrders } from './read-file.ts';

const fileOf = (lines: Iterable<string>) => new File([[...lines].join('\r\n'), '\r\n'], 'orders.csv');
const mappingOf = async (file: File) => guessMapping('orders', new Uint8Array(await file.arrayBuffer()), true).mapping;

describe('orders read from a file in a store that has nothing', () => {
  test('are those of the file, by currency, as an import would read them', async () => {
    const demo = generateOrders();
    const file = fileOf(orderExport(demo, { delimiter: ';', decimal: 'comma', dates: 'ymd', rows: 'orders' }));
    const shares: number[] = [];
    const { orders, rows, refused } = await readFileOfOrders(file, await mappingOf(file), 'UTC', (share) =>
      shares.push(share),
    );
    expect([rows, refused]).toEqual([demo.length, 0]);
    expect(shares.at(-1)).toBe(1);
    const plain = readableDemoOrders();
    expect(orders.map(({ currency }) => currency)).toEqual(plain.map(({ currency }) => currency));
    for (const [i, { currency, columns, shipments, numbers }] of orders.entries()) {
      const like = plain[i]!;
      expect(columns.count).toBe(like.columns.count);
      for (const name of ['goods', 'delivery', 'day', 'option', 'items'] as const)
        expect(columns[name], `${currency} ${name}`).toEqual(like.columns[name]);
      expect(shipments.grams).toEqual(like.shipments.grams);
      const at = (where: typeof shipments) => Array.from(where.place, (place) => where.places[place]!.join());
      expect(at(shipments)).toEqual(at(like.shipments));
      expect(numbers).toEqual(demo.filter((order) => order.currency === currency).map((order) => order.orderNumber));
    }
  });

  test('rows that are none are counted, codes are compared in upper case', async () => {
    const file = fileOf([
      'Order;Date;Country;Currency;Subtotal;Shipping;Code',
      'E-1;2026-03-14;Norway;NOK;500,00;49,00;wind',
      'E-2;2026-03-14;Norway;NOK;500,00;;',
      'E-3;never;Norway;NOK;500,00;49,00;',
      'E-4;2026-03-14;Sweden;NOK;500,00;49,00; Wind ',
    ]);
    const { orders, rows, refused } = await readFileOfOrders(file, await mappingOf(file), 'UTC', () => {});
    expect([rows, refused, orders.length]).toEqual([4, 1, 1]);
    const [{ columns, shipments, numbers }] = orders as [(typeof orders)[number]];
    expect(numbers).toEqual(['E-1', 'E-2', 'E-4']);
    expect([...columns.delivery]).toEqual([4900, -1, 4900]);
    expect(Array.from(shipments.code, (code) => shipments.codes[code])).toEqual(['WIND', '', 'WIND']);
  });

  test('a country that pays in another currency than the beginning of its file says is read anew', async () => {
    const row = (i: number, currency: string) => `E-${i};2026-03-14;Poland;${currency};50,00;4,90;`;
    const file = fileOf([
      'Order;Date;Country;Currency;Subtotal;Shipping;Code',
      ...Array.from({ length: 21_000 }, (_, i) => row(i, 'PLN')),
      ...Array.from({ length: 22_000 }, (_, i) => row(21_000 + i, 'EUR')),
    ]);
    const { orders, rows, refused } = await readFileOfOrders(file, await mappingOf(file), 'UTC', () => {});
    expect(orders.map(({ currency, columns }) => [currency, columns.count])).toEqual([['EUR', 22_000]]);
    expect([rows, refused]).toEqual([43_000, 21_000]);
  });

  test('a file of its heading alone has none', async () => {
    const file = fileOf([exportHeading.join(';')]);
    expect(await readFileOfOrders(file, await mappingOf(file), 'UTC', () => {})).toEqual({
      orders: [],
      rows: 0,
      refused: 0,
    });
  });
});
