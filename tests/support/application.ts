import { spawn, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import mysql from 'mysql2/promise';
import { startPrivateDatabase } from '../../scripts/setup/private-database.mjs';

export const root = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '');

export interface Application {
  address: string;
  process: ChildProcess;
  /** everything it has said so far */
  said: () => string;
  /** of the demo shop beside it, once it is there */
  shop: () => Promise<string>;
  stop: () => Promise<number | null>;
}

/** Starts the application as `npm start` does, until it names its address. */
export async function startApplication(
  environment: Record<string, string>,
  options: string[] = [],
): Promise<Application> {
  const child = spawn(process.execPath, ['--max-semi-space-size=32', 'scripts/start.mjs', ...options], {
    cwd: root,
    env: {
      ...process.env,
      PORT: '0',
      SUMMANT_SHOP_PORT: 'off',
      SUMMANT_STAND_INS: 'on',
      SUMMANT_FETCH_EVERY: '0',
      SUMMANT_CALLS_EVERY: '0',
      SUMMANT_EXPERIMENTS_EVERY: '1',
      ...environment,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  const exited = new Promise<number | null>((resolve) => child.once('exit', resolve));
  const address = await new Promise<string>((resolve, reject) => {
    const listen = (chunk: Buffer) => {
      said += chunk.toString();
      const match = /^(http:\/\/\S+)\/$/m.exec(said);
      if (match) resolve(match[1]!);
    };
    child.stdout.on('data', listen);
    child.stderr.on('data', listen);
    child.once('exit', () => reject(new Error(`the application ended:\n${said}`)));
  });
  return {
    address,
    process: child,
    said: () => said,
    shop: async () => {
      for (let tries = 0; tries < 1200; tries++) {
        const named = /^A demo shop that asks it:\n(http:\/\/\S+)\/$/m.exec(said);
        if (named) return named[1]!;
        await new Promise((resolve) => setTimeout(resolve, 50));
      }
      throw new Error(`there is no demo shop:\n${said}`);
    },
    stop: () => {
      child.kill('SIGTERM');
      return exited;
    },
  };
}

/** The tests' own database server, apart from the one with the user's data. */
export function startTestDatabase(name: string): ReturnType<typeof startPrivateDatabase> {
  return startPrivateDatabase(`${root}/.data/test-${name}`);
}

/** An empty database of that name on the server. @returns its URL */
export async function freshDatabase(serverUrl: string, name: string): Promise<string> {
  const connection = await mysql.createConnection(serverUrl);
  await connection.query(`DROP DATABASE IF EXISTS ${name}`);
  await connection.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4`);
  await connection.end();
  return serverUrl.replace(/[^/]+$/, name);
}
