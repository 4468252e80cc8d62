import { Agent, request } from 'node:http';
import mysql, { type RowDataPacket } from 'mysql2/promise';
import { demoProducts } from '../../demo/products.ts';
import { countries } from '../../shop/markets.ts';
import { shoppers as people } from '../../shop/shoppers.ts';
import { seededRandom } from '../../src/core/statistics/random.ts';
import { freshDatabase, startApplication, startTestDatabase } from '../../tests/support/application.ts';
import type { Bar } from './bar.ts';

const shoppers = 10_000;
const atOnce = 24;
const seed = 20261129;
/** The offer of the demo that is limited in all, to fewer uses than its readers would make of it. */
const limited = { offer: 'campaign', code: 'GUST10', inAll: 300 };

interface Tally {
  orders: string[];
  asked: number;
  failed: number;
  changed: number;
}

/** A week of the demo shop: shoppers who look, fill a cart, with the code of a letter that has fewer uses than readers, and order, all through HTTP. */
export async function bars(): Promise<Bar[]> {
  const server = await startTestDatabase('bench');
  const url = await freshDatabase(server.url, 'summant_bench_week');
  const application = await startApplication({ DATABASE_URL: url, SUMMANT_SHOP_PORT: '0' });
  const agent = new Agent({ keepAlive: true, maxSockets: atOnce });
  const tally: Tally = { orders: [], asked: 0, failed: 0, changed: 0 };
  try {
    const shop = await application.shop();
    await limit(application.address);
    const random = seededRandom(seed);
    const began = performance.now();
    let left = shoppers;
    await Promise.all(
      Array.from({ length: atOnce }, async () => {
        while (left-- > 0) await shopAsSomebody(shop, agent, random, tally);
      }),
    );
    const seconds = (performance.now() - began) / 1000;
    const connection = await mysql.createConnection(url);
    const [[found]] = await connection.query<RowDataPacket[]>(
      'SELECT COUNT(*) AS orders, SUM(verdict <> "agrees") AS otherwise FROM placed_order p JOIN past_order USING (order_number)',
    );
    const [[uses]] = await connection.query<RowDataPacket[]>(
      'SELECT COALESCE(SUM(used), 0) AS used, (SELECT COUNT(*) FROM redemption WHERE offer_id = ?) AS redeemed, (SELECT COUNT(*) FROM reservation WHERE offer_id = ?) AS reserved FROM offer_use WHERE offer_id = ?',
      [limited.offer, limited.offer, limited.offer],
    );
    await connection.end();
    const orders = Number(found!.orders);
    const [used, reserved] = [Number(uses!.used), Number(uses!.reserved)];
    return [
      {
        name: `a week of the demo shop: answers of ${tally.asked} that failed`,
        measured: `${tally.failed}, in ${seconds.toFixed(0)} s; ${tally.changed} were asked again`,
        required: 'none',
        held: tally.failed === 0,
      },
      {
        name: 'orders placed that Summant has, as charged',
        measured: `${orders} of ${tally.orders.length}, ${Number(found!.otherwise)} otherwise`,
        required: 'all, none otherwise',
        held: orders === tally.orders.length && orders > 0 && Number(found!.otherwise) === 0,
      },
      {
        name: `uses of an offer that ${limited.inAll} may have`,
        measured: `${used} counted, ${Number(uses!.redeemed)} redeemed, ${reserved} still reserved`,
        required: `counted as redeemed, ${limited.inAll} with what is reserved`,
        held: used === Number(uses!.redeemed) && used + reserved === limited.inAll,
      },
    ];
  } finally {
    agent.destroy();
    await application.stop();
    await server.stop();
  }
}

/** Releases the demo with the limit of the week. */
async function limit(address: string): Promise<void> {
  const asked = async (method: string, path: string, revision: number, body: unknown, type: string) => {
    const headers = { 'if-match': `"draft-${revision}"`, 'content-type': type };
    const answer = await fetch(address + path, { method, headers, body: JSON.stringify(body) });
    if (!answer.ok) throw new Error(`${path} answered ${answer.status}`);
    return (await answer.json()) as { revision: number };
  };
  const { revision } = (await (await fetch(`${address}/api/draft`)).json()) as { revision: number };
  const path = `/offers/${limited.offer}/limits/inAll`;
  const patch = [{ op: 'replace', path, value: limited.inAll }];
  const edited = await asked('PATCH', '/api/draft', revision, patch, 'application/json-patch+json');
  const release = { note: 'A week', reason: 'The gaps of the demo are meant.' };
  await asked('POST', '/api/releases', edited.revision, release, 'application/json');
}

/** One shopper, from the door to the order or away. */
async function shopAsSomebody(shop: string, agent: Agent, random: () => number, tally: Tally): Promise<void> {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  let cookie = '';
  const ask = async (path: string, form?: Record<string, string>) => {
    const answer = await send(shop + path, agent, cookie, form);
    cookie ||= answer.cookie;
    tally.asked++;
    if (answer.status >= 500) tally.failed++;
    return answer;
  };
  const country = pick(countries);
  const goods = Array.from({ length: 1 + Math.floor(random() * 3) }, () => pick(demoProducts).id);
  const [who, leaves] = [pick(people).id, random() < 0.3];
  await ask('/cart');
  await ask('/here', { country: country.code, language: country.languages[0]!, shopper: who });
  for (const product of goods) await ask('/cart/add', { product, pieces: String(1 + Math.floor(random() * 2)) });
  if (leaves) return;
  await ask('/checkout/place', { postcode: country.postcode, code: limited.code });
  let page = (await ask('/checkout')).text;
  for (let tries = 0; tries < 3; tries++) {
    const hidden = (name: string) => new RegExp(`type="hidden" name="${name}" value="([^"]*)"`).exec(page)?.[1];
    if (!page.includes('action="/order"') || !page.includes('class="first"')) return;
    const asked = [...page.matchAll(/name="(answer-[a-z0-9-]+)"(?: value="[^"]*" maxlength="(\d+)")?/g)];
    const answers = Object.fromEntries(
      asked.map(([, name, text]) => [name!, text === undefined ? firstChoice(page, name!) : '+31 20 555 0100']),
    );
    const answer = await ask('/order', {
      option: hidden('option') ?? '',
      price: hidden('price') ?? '0',
      ...answers,
    });
    if (answer.status === 303 && answer.location.startsWith('/thanks/')) {
      tally.orders.push(answer.location.slice('/thanks/'.length));
      return;
    }
    tally.changed++;
    page = answer.text;
  }
}

const firstChoice = (page: string, name: string): string =>
  new RegExp(`name="${name}"[\\s\\S]*?<option value="([^"]+)"`).exec(page)?.[1] ?? '';

interface Answered {
  status: number;
  text: string;
  location: string;
  cookie: string;
}

function send(address: string, agent: Agent, cookie: string, form?: Record<string, string>): Promise<Answered> {
  return new Promise((resolve, reject) => {
    const asked = request(
      address,
      {
        method: form ? 'POST' : 'GET',
        agent,
        headers: {
          ...(cookie ? { cookie } : {}),
          ...(form ? { 'content-type': 'application/x-www-form-urlencoded' } : {}),
        },
      },
      (answer) => {
        let text = '';
        answer.on('data', (chunk: Buffer) => (text += chunk.toString()));
        answer.once('end', () =>
          resolve({
            status: answer.statusCode ?? 0,
            text,
            location: answer.headers.location ?? '',
            cookie: /^shop=[^;]+/.exec(answer.headers['set-cookie']?.[0] ?? '')?.[0] ?? '',
          }),
        );
      },
    );
    asked.once('error', reject).end(form ? new URLSearchParams(form).toString() : undefined);
  });
}
