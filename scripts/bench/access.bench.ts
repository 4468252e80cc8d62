import { mkdtemp, rm } from 'node:fs/promises';
import { Agent } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from '../../tests/support/application.ts';
import { firstLinkOf, joinBy } from '../../tests/support/people.ts';
import type { Bar } from './bar.ts';
import { answered, asking, compareRates, manyRounds, quoteBodies, rateOf } from './quoting.ts';

const connections = 20;
const each = 400;
/** Wrong passwords a second, each from another address, so that none is turned away before it is looked at. */
const wrongASecond = 100;

/** Quotes where people have accounts and shops show keys: against a constant answer, and beside wrong passwords. */
export async function bars(): Promise<Bar[]> {
  const data = await mkdtemp(join(tmpdir(), 'summant-bench-'));
  const application = await startApplication({
    SUMMANT_DATA: data,
    DATABASE_URL: '',
    SUMMANT_TRUSTED_PROXIES: '127.0.0.1',
    SUMMANT_RATE_SECRET: '100000000',
  });
  const { address, said } = application;
  const agent = new Agent({ keepAlive: true, maxSockets: connections });
  const bodies = quoteBodies(each);
  try {
    const own = await joinBy(address, await firstLinkOf(said), 'one@example.com', 'One');
    const made = await fetch(`${address}/api/keys`, {
      method: 'POST',
      headers: { cookie: own, 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'bench', kind: 'secret', origins: [] }),
    });
    if (made.status !== 201) throw new Error(await made.text());
    const { token } = (await made.json()) as { token: string };
    const ask = asking(address, agent, { authorization: `Bearer ${token}` });
    const [quotes, constant] = await compareRates(
      () => rateOf(ask, '/api/quote', bodies, connections),
      () => rateOf(asking(address, agent), '/stand-ins/quote', bodies, connections),
      manyRounds,
    );
    const share = quotes / constant;
    const wrong = wrongPasswords(address);
    const more = Array.from({ length: 4 }, () => bodies).flat();
    const [beside, alone] = await compareRates(
      () => wrong.during(() => rateOf(ask, '/api/quote', more, connections)),
      () => rateOf(ask, '/api/quote', more, connections),
    );
    return [
      {
        name: 'quote with a key, against a constant answer of the same server',
        measured: `${Math.round(share * 100)} % (${Math.round(quotes)} against ${Math.round(constant)} a second)`,
        required: 'at least 85 %',
        held: share >= 0.85,
      },
      {
        name: `quotes beside ${wrongASecond} wrong passwords a second, against quotes alone`,
        measured: `${Math.round((beside / alone) * 100)} % (${Math.round(beside)} against ${Math.round(alone)} a second; ${wrong.tried()} tried, ${wrong.looked()} of them looked at)`,
        required: 'at least 90 %',
        held: beside >= 0.9 * alone,
      },
    ];
  } finally {
    agent.destroy();
    await application.stop();
    await rm(data, { recursive: true, force: true });
  }
}

/** Somebody who tries passwords while something else is done. */
function wrongPasswords(address: string) {
  let [tried, looked] = [0, 0];
  const tryOne = async (agent: Agent): Promise<void> => {
    const from = `10.${(tried >> 16) & 255}.${(tried >> 8) & 255}.${tried & 255}`;
    const body = JSON.stringify({ signIn: `nobody-${tried++}@example.com`, password: 'not this one either' });
    const headers = { 'x-forwarded-for': from };
    const status = await answered(`${address}/api/sign-in`, body, agent, headers);
    if (status === 401) looked++;
    else if (status !== 429) throw new Error(`a wrong password was answered ${status}`);
  };
  return {
    tried: () => tried,
    looked: () => looked,
    during: async <T>(work: () => Promise<T>): Promise<T> => {
      const agent = new Agent({ keepAlive: true, maxSockets: 50 });
      const under: Promise<void>[] = [];
      const pace = setInterval(() => void under.push(tryOne(agent)), 1000 / wrongASecond);
      try {
        return await work();
      } finally {
        clearInterval(pace);
        await Promise.all(under);
        agent.destroy();
      }
    },
  };
}
