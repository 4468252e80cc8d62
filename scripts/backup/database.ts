import mysql, { type Connection } from 'mysql2/promise';
import { hostUrls } from '../../src/server/database/hosts.ts';

/** An end that the person at the keyboard can do something about. */
export class Refused extends Error {}

/** The database that is saved, or restored into, on the first host that answers. */
export interface Target {
  connection: Connection;
  /** of the database */
  name: string;
  /** options of MariaDB’s own programs, and what they find in their environment */
  options: string[];
  environment: Record<string, string>;
}

/** @throws Refused when no host answers */
export async function openTarget(url: string): Promise<Target> {
  let last = '';
  for (const one of hostUrls(url)) {
    const { hostname, port, username, password, pathname } = new URL(one);
    const name = decodeURIComponent(pathname.slice(1));
    const account = { user: decodeURIComponent(username), password: decodeURIComponent(password) };
    const host = hostname.replace(/^\[|\]$/g, '');
    try {
      const connection = await mysql.createConnection({
        host,
        port: Number(port || 3306),
        ...account,
        connectTimeout: 4000,
        supportBigNumbers: true,
      });
      return {
        connection,
        name,
        options: [`--host=${host}`, `--port=${port || 3306}`, '--protocol=tcp', `--user=${account.user}`],
        // On the command line anybody on this machine would read it.
        environment: { MYSQL_PWD: account.password },
      };
    } catch (error) {
      last = (error as Error).message;
    }
  }
  throw new Refused(`No database answers: ${last}`);
}

/** A name in SQL. */
export const quoted = (name: string): string => `\`${name.replaceAll('`', '``')}\``;

/** The last line of what MariaDB’s program writes: without it a copy has been cut off. */
export const endsWhole = /^-- Dump completed/m;

/** Runs, and ends the process with what there is to be said. */
export async function main(work: () => Promise<void>): Promise<void> {
  try {
    await work();
  } catch (error) {
    console.error(error instanceof Refused ? error.message : error);
    process.exitCode = 1;
  }
}
