// Everything from a fresh checkout to a served page. Only Node's own modules until packages are installed.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuilt } from './setup/build.mjs';
import { ensureNpmPackages } from './setup/npm-packages.mjs';
import { startPrivateDatabase } from './setup/private-database.mjs';
import { say, Stop } from './setup/say.mjs';
import { serve, serveMetrics } from './setup/serve.mjs';
import { openShop } from './setup/shop.mjs';
import { prepareStore } from './setup/store.mjs';

const root = fileURLToPath(new URL('..', import.meta.url)).replace(/\/$/, '');
const options = process.argv.slice(2);
const known = ['--empty', '--dev'];
const closing = [];
let stopping = false;

async function stop(code) {
  if (stopping) return;
  stopping = true;
  for (const close of closing.reverse()) await close();
  process.exit(code);
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
  process.on(signal, () => {
    say('Stopping …');
    void stop(0);
  });
}

async function start() {
  const unknown = options.find((option) => !known.includes(option));
  if (unknown) throw new Stop(`“${unknown}” is not an option. There are: --empty (start without the demo store).`);
  ensureNpmPackages(root);
  let url = process.env.DATABASE_URL;
  if (!url) {
    const database = await startPrivateDatabase(join(process.env.SUMMANT_DATA ?? join(root, '.data'), 'database'), {
      restart: true,
    });
    closing.push(database.stop);
    url = database.url;
  }
  const host = process.env.HOST ?? '127.0.0.1';
  // What simulates outside services is for trying, and no part of a Summant that others reach.
  const tried = !process.env.DATABASE_URL && ['127.0.0.1', '::1', 'localhost'].includes(host);
  const standIns = process.env.SUMMANT_STAND_INS ?? (tried ? 'on' : 'off');
  if (!['on', 'off'].includes(standIns)) throw new Stop(`SUMMANT_STAND_INS is “${standIns}”. It takes on or off.`);
  process.env.SUMMANT_STAND_INS = standIns;
  process.env.DATABASE_URL = url;
  const firstLink = prepareStore(root, url, { demo: !options.includes('--empty') });
  if (stopping) return;
  if (options.includes('--dev')) return develop();
  ensureBuilt(root);
  if (stopping) return;
  const port = portFrom(process.env.PORT);
  const served = await serve(root, { host, port, lastPort: process.env.PORT ? port : port + 20 });
  closing.push(served.close);
  if (process.env.SUMMANT_METRICS) {
    const metrics = await serveMetrics(process.env.SUMMANT_METRICS);
    closing.push(metrics.close);
    say(`What the process counts: ${metrics.address}`);
  }
  if (served.taken.length > 0)
    say(`Port ${served.taken.join(', ')} is taken by another program; using the next free one.`);
  say(`Summant is ready. Ctrl-C stops it.\n${served.address}`);
  if (firstLink)
    say(
      `For a team: this link makes the first account, once. From then on everyone signs in.\n${served.address.replace(/\/$/, '')}${firstLink}`,
    );
  await startShop(options.includes('--empty'));
}

/** The demo shop, for whoever has not said that it is not wanted; a store without its goods has none. */
async function startShop(empty) {
  const said = process.env.SUMMANT_SHOP_PORT;
  if (empty || said === 'off') return;
  const port = said === undefined ? 4330 : portFrom(said);
  const shop = await openShop(root, {
    summant: process.env.SUMMANT_OWN_ADDRESS,
    port,
    lastPort: said === undefined ? port + 20 : port,
  });
  if (!shop) return;
  if (stopping) return shop.close();
  closing.push(shop.close);
  process.env.SUMMANT_SHOP_ADDRESS = shop.address.replace(/\/$/, '');
  say(`A demo shop that asks it:\n${shop.address}`);
}

function develop() {
  const child = spawn(process.execPath, [join(root, 'node_modules/astro/astro.js'), 'dev'], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1' },
  });
  child.once('exit', (code) => void stop(code ?? 0));
  closing.push(
    () =>
      new Promise((resolve) =>
        child.exitCode === null ? child.once('exit', resolve) && child.kill('SIGTERM') : resolve(),
      ),
  );
}

function portFrom(text) {
  if (text === undefined) return 4321;
  if (!/^\d{1,5}$/.test(text) || Number(text) > 65535) throw new Stop(`PORT is “${text}”, which is not a port number.`);
  return Number(text);
}

start().catch(async (error) => {
  process.stderr.write(`\n${error instanceof Stop ? error.message : error.stack}\n`);
  await stop(1);
});
