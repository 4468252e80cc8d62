import { spawn } from 'node:child_process';
import { createWriteStream } from 'node:fs';
import { rename, rm, stat } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import { endsWhole, main, openTarget, Refused } from './database.ts';

/** Saves the database into a file while it is used: all of it as it was at one moment. */
await main(async () => {
  const [file] = process.argv.slice(2) as [string];
  if (await stat(file).catch(() => null)) throw new Refused(`${file} is there already. Nothing was written.`);
  const { connection, name, options, environment } = await openTarget(process.env.DATABASE_URL!);
  await connection.end();
  const beside = `${file}.part`;
  try {
    const dump = spawn(
      'mariadb-dump',
      [
        '--no-defaults',
        ...options,
        '--single-transaction',
        '--quick',
        '--skip-lock-tables',
        '--hex-blob',
        '--no-tablespaces',
        '--default-character-set=utf8mb4',
        '--max-allowed-packet=256M',
        name,
      ],
      { env: { ...process.env, ...environment }, stdio: ['ignore', 'pipe', 'pipe'] },
    );
    const ended = new Promise<number | null>((resolve, reject) => {
      dump.once('error', reject);
      dump.once('close', resolve);
    });
    let said = '';
    dump.stderr.on('data', (chunk: Buffer) => (said = (said + chunk.toString()).slice(-2000)));
    let tail = '';
    dump.stdout.on('data', (chunk: Buffer) => (tail = (tail + chunk.toString('latin1')).slice(-300)));
    await pipeline(dump.stdout, createGzip({ level: 6 }), createWriteStream(beside, { mode: 0o600, flush: true }));
    if ((await ended) !== 0 || !endsWhole.test(tail)) throw new Refused(`The database could not be saved:\n${said}`);
    await rename(beside, file);
  } finally {
    await rm(beside, { force: true });
  }
  const { size } = await stat(file);
  console.log(`${name} is saved in ${file}, ${(size / 1e6).toFixed(1)} MB.`);
});
