import { readdir } from 'node:fs/promises';
import type { Bar } from './bar.ts';

const folder = new URL('.', import.meta.url);
const names = (await readdir(folder)).filter((file) => file.endsWith('.bench.ts')).map((file) => file.replace('.bench.ts', '')).sort();
const [wanted] = process.argv.slice(2);
if (wanted && !names.includes(wanted)) {
  console.error(`There is no benchmark “${wanted}”. There are: ${names.join(', ')}.`);
  process.exit(1);
}
let short = 0;
for (const name of wanted ? [wanted] : names) {
  const { bars } = (await import(`./${name}.bench.ts`)) as { bars: () => Promise<Bar[]> };
  for (const bar of await bars()) {
    if (!bar.held) short++;
    console.log(`${bar.name.padEnd(58)} ${bar.measured.padStart(26)}   required ${bar.required.padEnd(22)} ${bar.held ? 'held' : 'short'}`);
  }
}
process.exit(short > 0 ? 1 : 0);
