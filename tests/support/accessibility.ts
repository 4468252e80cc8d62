import axe from 'axe-core';
import type { Page } from 'playwright-core';

type Options = Parameters<typeof axe.run>[1];

/** Frames are looked at as pages of their own: one that runs no scripts answers none, and axe-core may not speak to its origin. */
const iframes = false;
const all: Options = {
  iframes,
  runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],
  resultTypes: ['violations'],
};
/** Of these rules, those that look at colours: all that a theme changes. */
const ofColours: Options = {
  iframes,
  runOnly: { type: 'rule', values: ['color-contrast', 'link-in-text-block'] },
  resultTypes: ['violations'],
};

/** What a page has against it under WCAG 2.2 A and AA and good practice, as axe-core finds it: by day, then its colours by night. */
export async function violations(page: Page): Promise<string[]> {
  await page.evaluate(axe.source);
  const byDay = await found(page, 'day', all);
  await page.emulateMedia({ colorScheme: 'dark' });
  const byNight = await found(page, 'night', ofColours);
  await page.emulateMedia({ colorScheme: 'light' });
  return [...byDay, ...byNight];
}

async function found(page: Page, theme: string, options: Options): Promise<string[]> {
  const { violations: against } = await page.evaluate(async (given) => {
    // Colours that are on their way are not those that are read.
    await new Promise(requestAnimationFrame);
    const changing = document.getAnimations().filter((animation) => animation instanceof CSSTransition);
    await Promise.allSettled(changing.map(({ finished }) => finished));
    return (window as unknown as { axe: typeof axe }).axe.run(document, given);
  }, options);
  return against.flatMap(({ id, nodes }) =>
    nodes.map((node) => `by ${theme}, ${id}: ${node.html.slice(0, 160)} ${node.failureSummary ?? ''}`),
  );
}
