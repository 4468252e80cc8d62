import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/**
 * The scripts of each stop, as a Link header: the browser fetches them all while the page is still being read, in place of
 * finding one after the other in the scripts that import them.
 * @returns path of a page → value of its header
 */
export function modulePreloads(root) {
  const folder = join(root, 'dist/client/_astro');
  const scripts = readdirSync(folder).filter((name) => name.endsWith('.js'));
  const importsOf = (name) =>
    [...readFileSync(join(folder, name), 'utf8').matchAll(/\b(?:from|import)"\.\/([^"]+\.js)"/g)].map(
      ([, imported]) => imported,
    );
  const withImports = (name, found = new Set()) => {
    if (found.has(name)) return found;
    found.add(name);
    for (const imported of importsOf(name)) withImports(imported, found);
    return found;
  };
  const renderer = scripts.filter((name) => /^client\./.test(name));
  return new Map(
    scripts.flatMap((view) => {
      const stop = /^([A-Z][a-z]+)Stop\./.exec(view)?.[1].toLowerCase();
      if (!stop || stop === 'unbuilt') return [];
      const all = [view, ...renderer].reduce((found, name) => withImports(name, found), new Set());
      return [[`/${stop}`, [...all].map((name) => `</_astro/${name}>; rel=modulepreload`).join(', ')]];
    }),
  );
}
