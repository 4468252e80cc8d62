import { mkdtemp, rm } from 'node:fs/promises';
import { Agent, request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { mostOrders } from '../../src/contract/shapes/placed-order.ts';
import { startApplication } from '../../tests/support/application.ts';
import { median, type Bar } from './bar.ts';
import { mixedCarts } from './core/evaluate/carts.ts';

const connections = 20;
const rounds = 7;
const batches = 4;
const singly = 1000;

/** Orders of mixed carts that a shop reports, in batches and one by one. */
export async function bars(): Promise<Bar[]> {
  const data = await mkdtemp(join(tmpdir(), 'summant-bench-'));
  const application = await startApplication({ SUMMANT_DATA: data, DATABASE_URL: '' });
  const agent = new Agent({ keepAlive: true, maxSockets: connections });
  const report = (orders: readonly object[]) =>
    new Promise<void>((resolve, reject) => {
      const body = JSON.stringify({ orders });
      const asked = request(
        `${application.address}/api/orders`,
        {
          method: 'POST',
          agent,
          headers: { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) },
        },
        (answer) => {
          let text = '';
          answer.on('data', (chunk: Buffer) => (text += chunk.toString()));
          answer.once('end', () => {
            const outcomes = (JSON.parse(text) as { orders?: { outcome: string }[] }).orders;
            if (outcomes?.every(({ outcome }) => outcome === 'new')) resolve();
            else reject(new Error(text.slice(0, 500)));
          });
        },
      );
      asked.once('error', reject).end(body);
    });
  const carts = mixedCarts(1000);
  let count = 0;
  const orders = (many: number) =>
    Array.from({ length: many }, () => {
      const { cart, shopper, destination } = carts[count % carts.length]!;
      return {
        number: `B-${++count}`,
        placedAt: new Date().toISOString(),
        cart: {
          lines: cart.lines.map(({ product, quantity }) => ({ product: product.id, quantity })),
          ...(cart.codes ? { codes: cart.codes } : {}),
          ...(shopper ? { shopper } : {}),
          destination,
        },
        shopperKey: `shopper ${count % 5000}`,
        option: 'nlbe-door',
        delivery: 595,
      };
    });
  /** orders a second @param each in a call */
  const rate = async (many: number, each: number, at: number) => {
    const waiting = Array.from({ length: many / each }, () => orders(each));
    const began = performance.now();
    await Promise.all(
      Array.from({ length: at }, async () => {
        for (let one = waiting.pop(); one !== undefined; one = waiting.pop()) await report(one);
      }),
    );
    return (many * 1000) / (performance.now() - began);
  };
  try {
    const [together, alone]: [number[], number[]] = [[], []];
    for (let round = -2; round < rounds; round++) {
      const inBatches = await rate(batches * mostOrders, mostOrders, 2);
      const oneByOne = await rate(singly, 1, connections);
      if (round < 0) continue;
      together.push(inBatches);
      alone.push(oneByOne);
    }
    return [
      {
        name: `orders placed, ${mostOrders} in a call`,
        measured: `${Math.round(median(together))} a second`,
        required: 'at least 2000',
        held: median(together) >= 2000,
      },
      {
        name: 'orders placed, one by one',
        measured: `${Math.round(median(alone))} a second`,
        required: 'at least 300',
        held: median(alone) >= 300,
      },
    ];
  } finally {
    agent.destroy();
    await application.stop();
    await rm(data, { recursive: true, force: true });
  }
}
