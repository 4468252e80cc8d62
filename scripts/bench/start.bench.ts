import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from '../../tests/support/application.ts';
import { median, type Bar } from './bar.ts';

/** A start with everything installed, built and loaded already. */
export async function bars(): Promise<Bar[]> {
  const data = await mkdtemp(join(tmpdir(), 'summant-bench-'));
  const start = () => startApplication({ SUMMANT_DATA: data, DATABASE_URL: '' });
  await (await start()).stop();
  const seconds: number[] = [];
  for (let run = 0; run < 3; run++) {
    const began = performance.now();
    const application = await start();
    await (await fetch(`${application.address}/offers`)).text();
    seconds.push((performance.now() - began) / 1000);
    await application.stop();
  }
  await rm(data, { recursive: true, force: true });
  return [
    {
      name: 'second start to a served page',
      measured: `${median(seconds).toFixed(1)} s`,
      required: '< 15 s',
      held: Math.max(...seconds) < 15,
    },
  ];
}
