import { escaped } from './markup.ts';
import type { OptionOnPage, PolicyPage, ZoneOnPage } from './policy-page.ts';

/** A whole document, so that it can be looked at as it is; a shop takes what stands in `main`. */
export function policyPageHtml(page: PolicyPage): string {
  const { language, direction, title, intro, zones, elsewhere } = page;
  return `<!doctype html>
<html lang="${escaped(language)}" dir="${direction}">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escaped(title)}</title>
</head>
<body>
<main>
<h1>${escaped(title)}</h1>
${intro.map((line) => `<p>${escaped(line)}</p>`).join('\n')}
${zones.map((zone) => zoneHtml(zone, page)).join('\n')}
${offersHtml(page)}<h2>${escaped(elsewhere.title)}</h2>
<p>${escaped(elsewhere.text)}</p>
</main>
</body>
</html>
`;
}

function zoneHtml({ name, places, options, none }: ZoneOnPage, { headings }: PolicyPage): string {
  const head = headings.map((heading) => `<th scope="col">${escaped(heading)}</th>`).join('');
  const table =
    none === null
      ? `<table>\n<thead><tr>${head}</tr></thead>\n<tbody>\n${options.map(optionHtml).join('\n')}\n</tbody>\n</table>`
      : `<p>${escaped(none)}</p>`;
  return `<section>\n<h2>${escaped(name)}</h2>\n<p>${escaped(places)}</p>\n${table}\n</section>`;
}

function offersHtml({ offers: { title, list } }: PolicyPage): string {
  if (list.length === 0) return '';
  const items = list.map(({ gives, bound }) => {
    const lines = gives.map(({ line, zones }) => `${escaped(line)}${zones === null ? '' : ` (${escaped(zones)})`}`);
    return `<li>${[...lines, ...(bound.length > 0 ? [escaped(sentences(bound))] : [])].join('<br>')}</li>`;
  });
  return `<h2>${escaped(title)}</h2>\n<ul>\n${items.join('\n')}\n</ul>\n`;
}

function optionHtml({ label, notes, rows, arrives }: OptionOnPage): string {
  const span = rows.length > 1 ? ` rowspan="${rows.length}"` : '';
  const described = notes.length > 0 ? `<br><small>${escaped(sentences(notes))}</small>` : '';
  return rows
    .map(({ order, price }, index) => {
      const option = index === 0 ? `<th scope="rowgroup"${span}>${escaped(label)}${described}</th>` : '';
      const when = index === 0 ? `<td${span}>${escaped(arrives)}</td>` : '';
      return `<tr>${option}<td>${escaped(order)}</td><td>${escaped(price)}</td>${when}</tr>`;
    })
    .join('\n');
}

/** Clauses one after another, each ended. */
export const sentences = (clauses: readonly string[]): string =>
  clauses.map((clause) => (/[.!?。؟]$/.test(clause) ? clause : `${clause}.`)).join(' ');
