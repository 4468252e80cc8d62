import { Agent } from 'node:http';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { demoProducts } from '../../demo/products.ts';
import { mostCarts } from '../../src/contract/shapes/quote-request.ts';
import { startApplication } from '../../tests/support/application.ts';
import { median, type Bar } from './bar.ts';
import { asking, compareRates, inWords, manyRounds, quoteBodies, rateOf, type Ask } from './quoting.ts';

const connections = 20;
const practice = 10;
const rounds = 100;
const each = 400;
const crowd = 100;

/** How long quotes take while so many are asked for at once: 99 of 100 at most, and half of them at most. ms */
async function crowded(bodies: readonly string[], ask: Ask): Promise<{ slowest: number; middle: number }> {
  const agent = new Agent({ keepAlive: true, maxSockets: crowd });
  const waiting = Array.from({ length: 10 }, () => bodies).flat();
  const took: number[] = [];
  await Promise.all(
    Array.from({ length: crowd }, async () => {
      for (let body = waiting.pop(); body !== undefined; body = waiting.pop()) {
        const began = performance.now();
        await ask('/api/quote', body, agent);
        took.push(performance.now() - began);
      }
    }),
  );
  agent.destroy();
  took.sort((a, b) => a - b);
  return { slowest: took[Math.floor(took.length * 0.99)]!, middle: median(took) };
}

/** Medians of one cart in a call, and of as many as a call takes, one call after the other. ms */
async function listed(carts: readonly object[], ask: Ask): Promise<{ alone: number; together: number }> {
  const all = JSON.stringify({ carts: Array.from({ length: mostCarts }, (_, index) => carts[index % carts.length]) });
  const [alone, together]: [number[], number[]] = [[], []];
  const timed = async (path: string, body: string) => {
    const began = performance.now();
    await ask(path, body);
    return performance.now() - began;
  };
  for (let round = -practice; round < rounds; round++) {
    const singly = await timed('/api/quote', JSON.stringify(carts[(round + practice) % carts.length]));
    const listed = await timed('/api/quotes', all);
    if (round < 0) continue;
    alone.push(singly);
    together.push(listed);
  }
  return { alone: median(alone), together: median(together) };
}

/** Quotes of mixed carts under the demo's release, against an endpoint that reads and checks the same and answers a constant. */
export async function bars(): Promise<Bar[]> {
  const data = await mkdtemp(join(tmpdir(), 'summant-bench-'));
  const application = await startApplication({ SUMMANT_DATA: data, DATABASE_URL: '' });
  const agent = new Agent({ keepAlive: true, maxSockets: connections });
  const bodies = quoteBodies(each);
  const ask = asking(application.address, agent);
  const one = (product: string) => ({
    lines: [{ product, quantity: 1 }],
    destination: { country: 'NL', postcode: '1799 ZA' },
  });
  const rate = (path: string) => () => rateOf(ask, path, bodies, connections);
  try {
    const quotes = await compareRates(rate('/api/quote'), rate('/stand-ins/quote'), manyRounds);
    const { slowest, middle } = await crowded(bodies, ask);
    const { alone, together } = await listed(
      demoProducts.map(({ id }) => one(id)),
      ask,
    );
    return [
      {
        name: 'quote, against a constant answer of the same server',
        measured: inWords(quotes),
        required: 'at least 85 %',
        held: quotes.share >= 0.85,
      },
      {
        name: `99 % of quotes at ${crowd} connections, against their median`,
        measured: `${(slowest / middle).toFixed(1)} × (${slowest.toFixed(0)} against ${middle.toFixed(0)} ms)`,
        required: 'under 10 ×',
        held: slowest < 10 * middle,
      },
      {
        name: `${mostCarts} carts of a list of products in one call, against one cart`,
        measured: `${(together / alone).toFixed(1)} × (${together.toFixed(1)} against ${alone.toFixed(2)} ms)`,
        required: 'under 8 ×',
        held: together < 8 * alone,
      },
    ];
  } finally {
    agent.destroy();
    await application.stop();
    await rm(data, { recursive: true, force: true });
  }
}
