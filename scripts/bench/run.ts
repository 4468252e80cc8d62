import { build } from 'esbuild';
import { readdir } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import type { Bar } from './bar.ts';

interface Bench {
  bars: () => Promise<Bar[]>;
}

const folder = new URL('.', import.meta.url);
const root = new URL('../../', folder);
const namesIn = async (inside: string) =>
  (await readdir(new URL(inside, folder)))
    .filter((file) => file.endsWith('.bench.ts'))
    .map((file) => file.replace('.bench.ts', ''));

/**
 * Benchmarks of the core run bundled, as browsers and the server run it: what translates TypeScript on the fly adds
 * work to every function that is made, which would be measured along.
 */
async function bundled(name: string): Promise<Bench> {
  const outfile = fileURLToPath(new URL(`node_modules/.cache/summant-bench/${name}.mjs`, root));
  await build({
    entryPoints: [fileURLToPath(new URL(`core/${name}.bench.ts`, folder))],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    logLevel: 'error',
  });
  return (await import(outfile)) as Bench;
}

const core = await namesIn('core/');
const names = [...core, ...(await namesIn('.'))].sort();
const [wanted] = process.argv.slice(2);
if (wanted && !names.includes(wanted)) {
  console.error(`There is no benchmark “${wanted}”. There are: ${names.join(', ')}.`);
  process.exit(1);
}
let short = 0;
for (const name of wanted ? [wanted] : names) {
  const { bars } = core.includes(name) ? await bundled(name) : ((await import(`./${name}.bench.ts`)) as Bench);
  for (const bar of await bars()) {
    if (!bar.held) short++;
    console.log(
      `${bar.name.padEnd(58)} ${bar.measured.padStart(26)}   required ${bar.required.padEnd(22)} ${bar.held ? 'held' : 'short'}`,
    );
  }
}
process.exit(short > 0 ? 1 : 0);
