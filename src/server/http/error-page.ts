import { randomUUID } from 'node:crypto';
import { isUnavailable } from '../database/unavailable.ts';
import { InvalidStoredPolicy } from '../policy/stored-policy.ts';
import { log } from '../log.ts';
import type { Problem } from './problem.ts';

const escaped = (text: string): string => text.replace(/[&<>"']/g, (mark) => `&#${mark.charCodeAt(0)};`);

/** A page for what could not be shown: what happened, what was kept, what to do. It loads nothing but its style. */
export function errorPage(error: unknown): Response {
  if (error instanceof InvalidStoredPolicy) return page(500, 'The draft needs to be repaired', repairBody(error));
  if (isUnavailable(error))
    return page(
      503,
      'The database cannot be reached',
      '<p>Nothing was changed. Load the page again in a moment; if it lasts, restart Summant.</p>',
    );
  const number = randomUUID().slice(0, 8);
  log.error(
    { number, err: error instanceof Error ? { message: error.message, stack: error.stack } : String(error) },
    'page failed',
  );
  return page(
    500,
    'This page could not be shown',
    `<p>Nothing was changed. The log of the server says more under the number <strong>${number}</strong>.</p><p><a href="/offers">Go to Offers</a></p>`,
  );
}

/** Instead of a page that somebody may not see. */
export const refusedPage = ({ status, title, detail }: Problem): Response =>
  page(status, title, `<p>${escaped(detail)}</p>`);

/** To where one signs in, and from there back to where one was going. */
export const toSignIn = ({ pathname, search }: URL): Response =>
  new Response(null, {
    status: 303,
    headers: { location: `/sign-in?next=${encodeURIComponent(pathname + search)}`, 'cache-control': 'no-store' },
  });

/** For an address that leads nowhere. */
export const notFoundPage = (): Response =>
  page(
    404,
    'There is no such page',
    '<p>Nothing was changed. The address may be cut off, or of a page that has another name.</p><p><a href="/offers">Go to Offers</a></p>',
  );

function repairBody({ faults, revision }: InvalidStoredPolicy): string {
  const list = faults
    .slice(0, 10)
    .map(({ pointer, message }) => `<li><code>${escaped(pointer)}</code> ${escaped(message)}</li>`);
  return `<p>Revision ${revision} of the draft is stored, and is not a policy that can be computed with. The shop goes on using its release. Nothing is lost: every edit is kept.</p><ul>${list.join('')}</ul>
<form method="post" action="/api/draft/repair"><button>Go back to the newest state that is valid</button></form>
<p>What is taken back stays in the history of the draft.</p>`;
}

function page(status: number, title: string, body: string): Response {
  const html = `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><meta name="robots" content="noindex"><title>${title} · Summant</title><link rel="icon" type="image/svg+xml" href="/favicon.svg"><link rel="stylesheet" href="/plain.css"></head><body><main><h1>${title}</h1>${body}</main></body></html>`;
  return new Response(html, {
    status,
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'cache-control': 'no-store',
      'content-security-policy':
        "default-src 'none'; style-src 'self'; img-src 'self'; form-action 'self'; frame-ancestors 'none'; base-uri 'none'",
    },
  });
}
