import type { Agent } from 'node:http';
import { request } from 'node:http';
import { median } from './bar.ts';
import { mixedCarts } from './core/evaluate/carts.ts';

/** Rounds before anything is measured, and usually those that are. */
const practice = 10;
const usualRounds = 20;
/** Where what is looked for is as small as fewer rounds scatter. */
export const manyRounds = 60;

export type Ask = (path: string, body: string, through?: Agent) => Promise<void>;

/** Bodies of quotes of mixed carts. */
export const quoteBodies = (count: number): string[] =>
  mixedCarts(count).map(({ cart, shopper, destination, redemptions }) =>
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

/** @returns the status of an answer, once it has come whole */
export const answered = (
  url: string,
  body: string,
  agent: Agent,
  headers: Record<string, string> = {},
): Promise<number> =>
  new Promise((resolve, reject) => {
    const always = { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) };
    const asked = request(url, { method: 'POST', agent, headers: { ...always, ...headers } }, (answer) => {
      answer.resume().once('end', () => resolve(answer.statusCode ?? 0));
    });
    asked
      .once('error', (error: NodeJS.ErrnoException) => {
        // A kept connection that the server closed just then, as Node’s documentation says of `reusedSocket`: asked again on another.
        if (asked.reusedSocket && error.code === 'ECONNRESET')
          answered(url, body, agent, headers).then(resolve, reject);
        else reject(error);
      })
      .end(body);
  });

/** Asks over connections that are kept. @returns a function that rejects for any other answer than 200 */
export const asking =
  (address: string, agent: Agent, headers: Record<string, string> = {}): Ask =>
  async (path, body, through = agent) => {
    const status = await answered(`${address}${path}`, body, through, headers);
    if (status !== 200) throw new Error(`${path} answered ${status}`);
  };

/** How many answers a second there are while so many are asked for at once. */
export async function rateOf(ask: Ask, path: string, bodies: readonly string[], connections: number): Promise<number> {
  const waiting = [...bodies];
  const began = performance.now();
  await Promise.all(
    Array.from({ length: connections }, async () => {
      for (let body = waiting.pop(); body !== undefined; body = waiting.pop()) await ask(path, body);
    }),
  );
  return (bodies.length * 1000) / (performance.now() - began);
}

/** What two ways to ask come to: medians a second, and the median of what the one is of the other in each round. */
interface Rates {
  one: number;
  other: number;
  share: number;
}

/**
 * Two ways to ask, in turn, each first as often as the other; both are well practised before. They are compared within a
 * round, as a machine that others use as well is slower for both at times.
 */
export async function compareRates(
  one: () => Promise<number>,
  other: () => Promise<number>,
  rounds = usualRounds,
): Promise<Rates> {
  const measured: [number[], number[]] = [[], []];
  for (let round = -practice; round < rounds; round++)
    for (const which of round % 2 === 0 ? [1, 0] : [0, 1]) {
      const rate = await (which === 0 ? one : other)();
      if (round >= 0) measured[which]!.push(rate);
    }
  const [ones, others] = measured;
  return { one: median(ones), other: median(others), share: median(ones.map((rate, round) => rate / others[round]!)) };
}

export const inWords = ({ one, other, share }: Rates): string =>
  `${Math.round(share * 100)} % (${Math.round(one)} against ${Math.round(other)} a second)`;
