import { fork } from 'node:child_process';
import { once } from 'node:events';
import { Agent } from 'node:http';
import { fileURLToPath } from 'node:url';
import { answered } from './quoting.ts';

/** Wrong passwords a second, each from another address, so that none is turned away before it is looked at. */
export const wrongASecond = 100;

interface Count {
  tried: number;
  looked: number;
}

/** Somebody who tries passwords, from a process of its own, while something else is done. */
export function wrongPasswords(address: string) {
  const process = fork(fileURLToPath(import.meta.url), [address]);
  const ended = once(process, 'exit').then(() => {
    throw new Error('whoever tries passwords has ended');
  });
  ended.catch(() => {});
  let count: Count = { tried: 0, looked: 0 };
  return {
    count: (): Count => count,
    during: async <T>(work: () => Promise<T>): Promise<T> => {
      process.send('begin');
      const done = await work();
      process.send('end');
      const [said] = (await Promise.race([once(process, 'message'), ended])) as [Count];
      count = said;
      return done;
    },
    end: (): void => process.disconnect(),
  };
}

/** What that process does. */
function tryThem(address: string): void {
  const count: Count = { tried: 0, looked: 0 };
  const agent = new Agent({ keepAlive: true, maxSockets: 50 });
  let under: Promise<void>[] = [];
  let pace: NodeJS.Timeout | undefined;
  const tryOne = async (): Promise<void> => {
    const { tried } = count;
    count.tried++;
    const headers = { 'x-forwarded-for': `10.${(tried >> 16) & 255}.${(tried >> 8) & 255}.${tried & 255}` };
    const body = JSON.stringify({ signIn: `nobody-${tried}@example.com`, password: 'not this one either' });
    const status = await answered(`${address}/api/sign-in`, body, agent, headers);
    if (status === 401) count.looked++;
    else if (status !== 429) throw new Error(`a wrong password was answered ${status}`);
  };
  process.on('message', (said) => {
    clearInterval(pace);
    if (said === 'begin') pace = setInterval(() => under.push(tryOne()), 1000 / wrongASecond);
    else
      void Promise.all(under).then(() => {
        under = [];
        process.send!(count);
      });
  });
  process.on('disconnect', () => process.exit());
}

const [, script, address] = process.argv;
if (script === fileURLToPath(import.meta.url) && address !== undefined) tryThem(address);
