import { mkdtemp, rm } from 'node:fs/promises';
import { Agent } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from '../../tests/support/application.ts';
import { firstLinkOf, joinBy } from '../../tests/support/people.ts';
import type { Bar } from './bar.ts';
import { asking, compareRates, inWords, manyRounds, quoteBodies, rateOf } from './quoting.ts';
import { wrongASecond, wrongPasswords } from './wrong-passwords.ts';

const connections = 20;
const each = 400;

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
    const key = await compareRates(
      () => rateOf(ask, '/api/quote', bodies, connections),
      () => rateOf(asking(address, agent), '/stand-ins/quote', bodies, connections),
      manyRounds,
    );
    const more = Array.from({ length: 4 }, () => bodies).flat();
    const wrong = wrongPasswords(address);
    const crowd = await compareRates(
      () => wrong.during(() => rateOf(ask, '/api/quote', more, connections)),
      () => rateOf(ask, '/api/quote', more, connections),
    ).finally(wrong.end);
    const { tried, looked } = wrong.count();
    return [
      {
        name: 'quote with a key, against a constant answer of the same server',
        measured: inWords(key),
        required: 'at least 85 %',
        held: key.share >= 0.85,
      },
      {
        name: `quotes beside ${wrongASecond} wrong passwords a second, against quotes alone`,
        measured: `${inWords(crowd)}; ${tried} tried, ${looked} of them looked at`,
        required: 'at least 90 %',
        held: crowd.share >= 0.9,
      },
    ];
  } finally {
    agent.destroy();
    await application.stop();
    await rm(data, { recursive: true, force: true });
  }
}
