import { afterEach, expect, test, vi } from 'vitest';
import { emptyColumns, packColumns } from '../../core/orders/columns.ts';
import { joinMonths } from '../../core/orders/travelling-months.ts';
import { dayNumber } from '../../core/time/day.ts';
import { keyOf, type ExpectedAnswer } from './expected-answers.ts';
import { HeldOrders } from './held-orders.ts';

const months = ['2026-01-01', '2026-02-01', '2026-03-01', '2026-04-01', '2026-05-01', '2026-06-01'];
/** As many orders a month as there are days in 28, one on each. */
const perMonth = 28;

function packed(month: string): Uint8Array {
  const columns = emptyColumns(perMonth);
  columns.goods.fill(5000);
  for (let day = 0; day < perMonth; day++) columns.day[day] = dayNumber(month)! + day;
  return packColumns(columns);
}

/** Answers as the server does that has an order on each of the first 28 days of six months, and notes which months it is asked for. */
function server(): { asked: string[] } {
  const asked: string[] = [];
  vi.stubGlobal('fetch', async (address: string) => {
    if (address.startsWith('/api/orders/months?'))
      return Response.json({
        currency: 'EUR',
        months: months.map((month, index) => ({
          month,
          orders: perMonth,
          options: ['door'],
          arms: [''],
          hash: String(index).padStart(32, '0'),
        })),
      });
    const hashes = decodeURIComponent(/months\/([^?]+)/.exec(address)![1]!).split('-');
    const wanted = hashes.map((hash) => months[Number(hash)]!);
    asked.push(...wanted);
    return new Response(joinMonths(wanted.map(packed)) as Uint8Array<ArrayBuffer>);
  });
  return { asked };
}
const day = (date: string) => dayNumber(date)!;
const question = {
  windows: {
    before: { from: day('2026-03-02'), to: day('2026-03-09') },
    after: { from: day('2026-03-10'), to: day('2026-03-17') },
  },
  goals: [],
  margin: 0.5,
};

afterEach(() => vi.unstubAllGlobals());

test('what a page will ask for is looked through before it asks, and once', async () => {
  const { asked } = server();
  const orders = new HeldOrders();
  const told: ExpectedAnswer[] = [];
  orders.expectResults({ market: 'uk', question, others: [{ market: 'dk', question }] }, (one) => told.push(one));
  await vi.waitFor(() => expect(told).toHaveLength(2), { timeout: 30_000 });
  const [study, panels] = await Promise.all([orders.change('uk', question), orders.panels('dk', question)]);
  expect([study.orders, panels.ordersADay.after.count]).toEqual([[7, 7], 7]);
  expect(asked).toHaveLength(4);
  const answers = new Map(told.map(({ expected, answer }) => [expected, answer]));
  expect(answers.get(keyOf('change', 'uk', question))).toBe(study);
  expect(answers.get(keyOf('panels', 'dk', question))).toBe(panels);
  const another = await orders.change('uk', { ...question, goals: [{ from: 0, goal: 4000 }] });
  expect([study, another].map(({ figures }) => figures.reaching.after.mean)).toEqual([0, 1]);
});

test('what goes wrong before a page asks is told when it does', async () => {
  vi.stubGlobal('fetch', async () => Response.json({ title: 'The database is away' }, { status: 503 }));
  const orders = new HeldOrders();
  const tell = vi.fn();
  orders.expectResults({ market: 'uk', question, others: [] }, tell);
  await expect(orders.change('uk', question)).rejects.toThrow('The database is away');
  expect(tell).not.toHaveBeenCalled();
});

test('a change is looked at in the months of its windows, once for all who ask', async () => {
  const { asked } = server();
  const orders = new HeldOrders();
  const study = await orders.change('uk', question);
  const panels = await orders.panels('uk', question);
  expect(study.orders).toEqual([7, 7]);
  expect(panels.ordersADay.after).toMatchObject({ count: 7, mean: 1 });
  expect(new Set(asked)).toEqual(new Set(['2026-02-01', '2026-03-01']));
  expect(asked).toHaveLength(2);
});

test('what is held whole is asked for no more, and what has changed is asked for again', async () => {
  const { asked } = server();
  const orders = new HeldOrders();
  const points = await orders.series('uk', question, {
    figure: 'ordersADay',
    days: { from: day('2026-01-01'), to: day('2026-06-29') },
    step: 'week',
  });
  expect(points.length).toBeGreaterThan(20);
  expect(asked).toHaveLength(6);
  await orders.change('uk', question);
  expect(asked).toHaveLength(6);
  orders.forget();
  await orders.change('uk', question);
  expect(asked).toHaveLength(8);
});
