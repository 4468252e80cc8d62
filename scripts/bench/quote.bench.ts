import { Agent, request } from 'node:http';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from '../../tests/support/application.ts';
import { median, type Bar } from './bar.ts';
import { mixedCarts } from './core/evaluate/carts.ts';

const connections = 20;
const practice = 10;
const rounds = 20;
const each = 400;

/** Quotes of mixed carts under the demo's release, against an endpoint that reads and checks the same and answers a constant. */
export async function bars(): Promise<Bar[]> {
  const data = await mkdtemp(join(tmpdir(), 'summant-bench-'));
  const application = await startApplication({ SUMMANT_DATA: data, DATABASE_URL: '' });
  const agent = new Agent({ keepAlive: true, maxSockets: connections });
  const bodies = mixedCarts(each).map(({ cart, shopper, destination, redemptions }) =>
    JSON.stringify({
      lines: cart.lines.map(({ product, quantity }) => ({ product: product.id, quantity })),
      ...(cart.codes ? { codes: cart.codes } : {}),
      ...(shopper ? { shopper } : {}),
      ...(redemptions ? { redemptions } : {}),
      destination,
      // Brought along, so that what is measured waits for no other service.
      quotes: { 'gale-express': 1290, 'island-air': 2150 },
    }),
  );
  const ask = (path: string, body: string) =>
    new Promise<void>((resolve, reject) => {
      const asked = request(
        `${application.address}${path}`,
        {
          method: 'POST',
          agent,
          headers: { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) },
        },
        (answer) => {
          if (answer.statusCode !== 200) reject(new Error(`${path} answered ${answer.statusCode}`));
          answer.resume().once('end', resolve);
        },
      );
      asked.once('error', reject).end(body);
    });
  /** requests a second */
  const rate = async (path: string) => {
    const waiting = [...bodies];
    const began = performance.now();
    await Promise.all(
      Array.from({ length: connections }, async () => {
        for (let body = waiting.pop(); body !== undefined; body = waiting.pop()) await ask(path, body);
      }),
    );
    return (bodies.length * 1000) / (performance.now() - began);
  };
  try {
    const [quotes, constant]: [number[], number[]] = [[], []];
    // Both are well practised before they are compared.
    for (let round = -practice; round < rounds; round++) {
      const paths = ['/api/quote', '/stand-ins/quote'];
      // Each goes first as often as the other.
      if (round % 2 === 0) paths.reverse();
      for (const path of paths) {
        const measured = await rate(path);
        if (round >= 0) (path === '/api/quote' ? quotes : constant).push(measured);
      }
    }
    const share = median(quotes) / median(constant);
    return [
      {
        name: 'quote, against a constant answer of the same server',
        measured: `${Math.round(share * 100)} % (${Math.round(median(quotes))} against ${Math.round(median(constant))} a second)`,
        required: 'at least 85 %',
        held: share >= 0.85,
      },
    ];
  } finally {
    agent.destroy();
    await application.stop();
    await rm(data, { recursive: true, force: true });
  }
}
