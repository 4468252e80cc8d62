import { mkdtemp, rm } from 'node:fs/promises';
import { Agent } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from '../../tests/support/application.ts';
import { listen } from '../../tests/support/listen.ts';
import { firstLinkOf, inviteBy, joinBy, password } from '../../tests/support/people.ts';
import type { Bar } from './bar.ts';
import { asking, quoteBodies } from './quoting.ts';

/** Eight hours of a team and a shop, in ten minutes: each hour in 75 s. */
const minutes = 10;
const hours = 8;
/** In an hour. */
const load = { quotes: 14_400, orders: 300, edits: 60, signIns: 20, pages: 240, wrongPasswords: 60 };
const listeners = 12;
/** Often enough to see the heap soon after it has been cleared. ms */
const look = 1000;

interface Sample {
  at: number;
  heap: number;
  resident: number;
}

/** A working day, squeezed: what the process holds at its end against what it held after its first quarter. */
export async function bars(): Promise<Bar[]> {
  const data = await mkdtemp(join(tmpdir(), 'summant-bench-'));
  const application = await startApplication({
    SUMMANT_DATA: data,
    DATABASE_URL: '',
    SUMMANT_METRICS: '0',
    SUMMANT_TRUSTED_PROXIES: '127.0.0.1',
    SUMMANT_RATE_PERSON: '1000000',
    SUMMANT_LOG: 'silent',
  });
  const { address, said } = application;
  const agent = new Agent({ keepAlive: true, maxSockets: 20 });
  const ended = new AbortController();
  const samples: Sample[] = [];
  const done: Record<string, number> = {};
  const failed: string[] = [];
  try {
    const own = await joinBy(address, await firstLinkOf(said), 'one@example.com', 'One');
    const others: string[] = [];
    for (let one = 0; one < listeners; one++)
      others.push(await joinBy(address, await inviteBy(address, own, 'edit', `P ${one}`), `p${one}@example.com`));
    const ears = others.map((cookie) => listen(address, cookie));
    const metrics = /(http:\S+\/metrics)/.exec(said())![1]!;
    const work = workOf(address, own, agent);
    const until = performance.now() + minutes * 60_000;
    const each = Object.entries(load).map(async ([name, inAnHour]) => {
      const pause = (minutes * 60_000) / (hours * inAnHour);
      const under = new Set<Promise<void>>();
      for (let next = performance.now(); next < until; next += pause) {
        const wait = next - performance.now();
        if (wait > 2) await new Promise((resolve) => setTimeout(resolve, wait));
        if (under.size > 50) await Promise.race(under);
        const one = work[name as keyof typeof load]()
          .then(() => void (done[name] = (done[name] ?? 0) + 1))
          .catch((error: unknown) => void failed.push(`${name}: ${String(error)}`))
          .finally(() => void under.delete(one));
        under.add(one);
      }
      await Promise.all(under);
    });
    const sampling = (async () => {
      while (!ended.signal.aborted) {
        samples.push(await sampleOf(metrics));
        await new Promise((resolve) => setTimeout(resolve, look));
      }
    })();
    await Promise.all(each);
    ended.abort();
    await sampling;
    for (const ear of ears) await ear.close();
  } finally {
    ended.abort();
    agent.destroy();
    await application.stop();
    await rm(data, { recursive: true, force: true });
  }
  const within = (from: number, to: number, of: 'heap' | 'resident') => {
    const [begin, end] = [samples[0]!.at, samples.at(-1)!.at];
    const some = samples.filter(({ at }) => at >= begin + (end - begin) * from && at <= begin + (end - begin) * to);
    return Math.min(...some.map((sample) => sample[of])) / 2 ** 20;
  };
  const flat = (of: 'heap' | 'resident'): Bar => {
    const [second, last] = [within(0.25, 0.5, of), within(0.75, 1, of)];
    return {
      name: `${of === 'heap' ? 'heap in use' : 'resident memory'}, least of the last quarter against that of the second`,
      measured: `${Math.round((last / second) * 100)} % (${last.toFixed(0)} against ${second.toFixed(0)} MiB)`,
      required: 'at most 110 %',
      held: last <= 1.1 * second,
    };
  };
  return [
    {
      name: `${hours} hours in ${minutes} minutes: what failed`,
      measured: `${failed.length} of ${Object.entries(done)
        .map(([name, count]) => `${count} ${name}`)
        .join(', ')}${failed.length > 0 ? `; ${failed.slice(0, 3).join('; ')}` : ''}`,
      required: 'none',
      held: failed.length === 0,
    },
    flat('heap'),
    flat('resident'),
  ];
}

/** One of each kind of what is asked for. */
function workOf(address: string, own: string, agent: Agent): Record<keyof typeof load, () => Promise<void>> {
  const quote = asking(address, agent, { cookie: own });
  const bodies = quoteBodies(400);
  let [quotes, orders, edits, tries, pages] = [0, 0, 0, 0, 0];
  const post = async (path: string, body: object, expected: number, headers: Record<string, string> = {}) => {
    const response = await fetch(address + path, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...headers },
      body: JSON.stringify(body),
    });
    await response.text();
    if (response.status !== expected) throw new Error(`${path} answered ${response.status}`);
  };
  let edited = Promise.resolve();
  const edit = async (): Promise<void> => {
    const { revision } = (await (await fetch(`${address}/api/draft`, { headers: { cookie: own } })).json()) as {
      revision: number;
    };
    const value = 5000 + (edits++ % 900);
    const response = await fetch(`${address}/api/draft`, {
      method: 'PATCH',
      headers: { cookie: own, 'if-match': `"draft-${revision}"`, 'content-type': 'application/json-patch+json' },
      body: JSON.stringify([{ op: 'replace', path: '/offers/free-delivery/goals/first/targets/uk/exact', value }]),
    });
    await response.text();
    if (response.status !== 200) throw new Error(`an edit was answered ${response.status}`);
  };
  const stops = ['orders', 'markets', 'delivery', 'offers', 'wording', 'rehearse', 'release', 'results', 'people'];
  return {
    quotes: () => quote('/api/quote', bodies[quotes++ % bodies.length]!),
    orders: () => {
      const cart = {
        lines: [{ product: 'tidewing-16', quantity: 1 }],
        destination: { country: 'NL', postcode: '1799 ZA' },
      };
      const placedAt = new Date().toISOString();
      const order = { number: `S-${orders++}`, placedAt, cart, option: 'nlbe-door', delivery: 0 };
      return post('/api/orders', { orders: [order] }, 200, { cookie: own });
    },
    // One after the other, as one person makes them.
    edits: () => (edited = edited.then(edit, edit)),
    signIns: () => {
      const from = `192.0.2.${++tries % 250}`;
      return post('/api/sign-in', { signIn: 'one@example.com', password }, 200, { 'x-forwarded-for': from });
    },
    pages: async () => {
      const response = await fetch(`${address}/${stops[pages++ % stops.length]}`, { headers: { cookie: own } });
      await response.text();
      if (response.status !== 200) throw new Error(`a page was answered ${response.status}`);
    },
    wrongPasswords: () => {
      const from = `198.51.${(++tries >> 8) & 255}.${tries & 255}`;
      const wrong = { signIn: `nobody-${tries}@example.com`, password: 'not this one either' };
      return post('/api/sign-in', wrong, 401, { 'x-forwarded-for': from });
    },
  };
}

async function sampleOf(address: string): Promise<Sample> {
  const text = await (await fetch(address)).text();
  const of = (name: string) => Number(new RegExp(`^${name} (\\S+)$`, 'm').exec(text)![1]);
  return {
    at: performance.now(),
    heap: of('nodejs_heap_size_used_bytes'),
    resident: of('process_resident_memory_bytes'),
  };
}
