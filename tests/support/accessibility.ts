import axe from 'axe-core';
import type { Page } from 'playwright-core';

/** What a page has against it under WCAG 2.2 A and AA and good practice, as axe-core finds it. */
export async function violations(page: Page): Promise<string[]> {
  await page.evaluate(axe.source);
  const { violations: found } = await page.evaluate(() =>
    (window as unknown as { axe: typeof axe }).axe.run(document, {
      runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],
    }),
  );
  return found.flatMap(({ id, nodes }) =>
    nodes.map((node) => `${id}: ${node.html.slice(0, 160)} ${node.failureSummary ?? ''}`),
  );
}
