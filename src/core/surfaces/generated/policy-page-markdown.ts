import { plainInMarkdown as plain } from './markup.ts';
import { sentences } from './policy-page-html.ts';
import type { PolicyPage, ZoneOnPage } from './policy-page.ts';

/** The page as Markdown, with its tables as most readers of Markdown know them. */
export function policyPageMarkdown(page: PolicyPage): string {
  const { title, intro, zones, elsewhere } = page;
  return `${[
    `# ${plain(title)}`,
    ...intro.map(plain),
    ...zones.flatMap((zone) => zoneMarkdown(zone, page)),
    ...offersMarkdown(page),
    `## ${plain(elsewhere.title)}`,
    plain(elsewhere.text),
  ].join('\n\n')}\n`;
}

function zoneMarkdown({ name, places, options, none }: ZoneOnPage, { headings }: PolicyPage): string[] {
  const row = (cells: readonly string[]) => `| ${cells.map(plain).join(' | ')} |`;
  const rows = options.flatMap(({ label, notes, arrives, rows: prices }) => {
    const described = notes.length > 0 ? `${label} (${sentences(notes)})` : label;
    return prices.map(({ order, price }, index) => row([index === 0 ? described : label, order, price, arrives]));
  });
  const table =
    none === null ? [row(headings), `|${' --- |'.repeat(headings.length)}`, ...rows].join('\n') : plain(none);
  return [`## ${plain(name)}`, plain(places), table];
}

function offersMarkdown({ offers: { title, list } }: PolicyPage): string[] {
  if (list.length === 0) return [];
  const items = list.map(({ gives, bound }) => {
    const lines = gives.map(({ line, zones }) => (zones === null ? line : `${line} (${zones})`));
    return `- ${[...lines, ...(bound.length > 0 ? [sentences(bound)] : [])].map(plain).join('\\\n  ')}`;
  });
  return [`## ${plain(title)}`, items.join('\n')];
}
