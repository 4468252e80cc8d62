import { buildSync } from 'esbuild';
import type { Page } from 'playwright-core';
import { describe, expect, test } from 'vitest';
import { root } from '../support/application.ts';
import { violations } from '../support/accessibility.ts';
import { useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';
import { usePagesOfAShop } from '../support/pages-of-a-shop.ts';

const { open: openAt } = useBrowser();
const { serve } = usePagesOfAShop(here.address);

const nl = { country: 'NL', postcode: '1799 ZA' };
const cart = (product: string, quantity = 1, destination = nl) => ({ lines: [{ product, quantity }], destination });
const small = cart('tidewing-16');
const element = (attributes: string, inside: object | null = small) =>
  `<summant-offer src="%SUMMANT%" shop-key="%KEY%" language="nl-NL" ${attributes}>${inside === null ? '' : `<script type="application/json">${JSON.stringify(inside)}</script>`}</summant-offer>`;
const everything = 'place="cart" show="text bar options why closing"';
const open = (body: string, more: { files?: Record<string, string>; policy?: string; allow?: RegExp } = {}) => {
  const { allow, ...page } = more;
  return openAt('', { address: serve({ body, ...page }), ...(allow ? { allow } : {}) });
};
/** What is read in the element, as long as it is seen. */
const shown = async (page: Page): Promise<string> => {
  const all = page.locator('summant-offer .all').first();
  if ((await all.count()) === 0 || !(await all.isVisible())) return '';
  return (await all.innerText()).replaceAll(/[\u00a0\u202f]/g, ' ');
};
const reads = (page: Page, what: RegExp | string) => expect.poll(() => shown(page)).toMatch(what);
/** Sets the property, as a page does. */
const setCart = (page: Page, next: object | null) =>
  page.locator('summant-offer').evaluate((offer, given) => {
    (offer as HTMLElement & { cart: unknown }).cart = given;
  }, next);

describe('the element', () => {
  test('speaks in plain HTML of another origin, under a content policy that allows nothing but it', async () => {
    const page = await open(element(everything));
    await reads(page, /Nog € 35,05/);
    const text = await shown(page);
    expect(text).toMatch(/Pakket aan huis\s+€ 6,95/);
    expect(text).toContain('Waarom?');
    expect(text).toMatch(/Toevoegen/);
    expect(await page.locator('summant-offer [role=progressbar]').getAttribute('aria-valuenow')).toBe('53');
    expect(await violations(page)).toEqual([]);
  });

  test('shows nothing to a page of an origin that its key does not list', async () => {
    const address = serve({ body: element('place="strip"') }).replace('127.0.0.1', 'localhost');
    const page = await openAt('', { address, allow: /CORS|Failed to load|ERR_FAILED/ });
    await page.waitForFunction(() => customElements.get('summant-offer') !== undefined);
    const asked = page.waitForEvent('requestfailed', (request) => request.url().endsWith('/api/quote'));
    await setCart(page, cart('night-heron'));
    await asked;
    expect(await shown(page)).toBe('');
  });

  test('shows no amount that is older than its cart, and only what was answered last', async () => {
    const page = await open(element('place="cart" show="text options"'));
    await reads(page, /Nog € 35,05/);
    const held: (() => void)[] = [];
    await page.route('**/api/quote', async (route) => {
      const { lines } = route.request().postDataJSON() as typeof small;
      if (lines[0]!.product === 'night-heron') await new Promise<void>((resolve) => held.push(resolve));
      await route.continue().catch(() => {});
    });
    const height = async () => (await page.locator('summant-offer').boundingBox())!.height;
    const before = await height();
    await setCart(page, cart('night-heron'));
    expect(await shown(page)).toBe('');
    expect(await height()).toBe(before);
    await expect.poll(() => held.length).toBe(1);
    expect(await shown(page)).toBe('');
    // Overtaken by another cart, whose answer comes first.
    await setCart(page, cart('dune-hopper'));
    await reads(page, /Nog € 56,05/);
    for (const go of held) go();
    await page.evaluate(() => new Promise(requestAnimationFrame));
    expect(await shown(page)).toMatch(/Nog € 56,05/);
    await setCart(page, null);
    expect(await shown(page)).toBe('');
  });

  test('shows nothing when Summant is away, and speaks again when it is asked anew', async () => {
    const page = await open(element('place="cart"'), { allow: /Failed to load|ERR_FAILED/ });
    await reads(page, /Nog € 35,05/);
    await page.route('**/api/quote', (route) => route.abort());
    const failed = page.waitForEvent('requestfailed');
    await setCart(page, cart('night-heron'));
    await failed;
    expect(await shown(page)).toBe('');
    await page.unroute('**/api/quote');
    await setCart(page, cart('dune-hopper'));
    await reads(page, /Nog € 56,05/);
  });

  test('tells the page what was quoted, reached, chosen and asked to be added', async () => {
    const page = await open(element(everything));
    await page.evaluate(() => {
      const told: [string, unknown][] = [];
      Object.assign(window, { told });
      for (const name of ['quote', 'reached', 'onward', 'choose', 'add'])
        addEventListener(name, (event) => told.push([name, (event as CustomEvent<unknown>).detail]));
    });
    await reads(page, /Nog € 35,05/);
    const told = (name: string) =>
      page.evaluate(
        (wanted) =>
          (window as unknown as { told: [string, Record<string, unknown>][] }).told
            .filter(([of]) => of === wanted)
            .map(([, detail]) => detail),
        name,
      );
    await page.getByLabel(/Afhalen bij een pakketpunt/).check();
    expect((await told('choose'))[0]).toMatchObject({ option: { id: 'nlbe-parcel-shop' } });
    await page
      .getByRole('button', { name: /Toevoegen/ })
      .first()
      .click();
    const [{ product, quantity } = {}] = await told('add');
    expect(await told('reached')).toEqual([]);
    await setCart(page, { ...small, lines: [...small.lines, { product, quantity }] });
    await expect.poll(() => told('reached')).toContainEqual({ offer: 'free-delivery', goal: 'first' });
    expect((await told('quote')).length).toBeGreaterThanOrEqual(1);
    // What was chosen stays chosen, as long as it is offered.
    await expect.poll(() => page.getByLabel(/Afhalen bij een pakketpunt/).isChecked()).toBe(true);
  });

  test('is read from right to left where the language is, with numbers of the page’s language', async () => {
    const page = await open(
      `<div lang="ar-DE">${element('show="text bar options"', cart('tidewing-16', 1, { country: 'DE', postcode: '19999' })).replace('language="nl-NL" ', '')}</div>`,
    );
    await reads(page, /\S/);
    expect(await page.locator('summant-offer .all').first().getAttribute('dir')).toBe('rtl');
    const starts = await page.locator('summant-offer input').first().boundingBox();
    const all = (await page.locator('summant-offer').boundingBox())!;
    expect(starts!.x).toBeGreaterThan(all.x + all.width / 2);
  });

  test('moves nothing when it comes into the room that a page has left for it', async () => {
    const page = await open(
      `<style nonce="room">summant-offer { display: block; min-height: 40px; --summant-height: 40px }</style>${element('place="strip" show="text"', null)}<p>what follows</p>`,
      {
        policy: `default-src 'none'; script-src ${here.address}; connect-src ${here.address}; style-src 'nonce-room'`,
      },
    );
    await page.evaluate(() => {
      Object.assign(window, { moved: 0 });
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries())
          (window as unknown as { moved: number }).moved += (entry as unknown as { value: number }).value;
      }).observe({ type: 'layout-shift', buffered: true });
    });
    await setCart(page, small);
    await reads(page, /Nog € 35,05/);
    for (const product of ['dune-hopper', 'night-heron']) await setCart(page, cart(product));
    await reads(page, /Nog € 10,05/);
    await page.evaluate(() => new Promise(requestAnimationFrame));
    expect(await page.evaluate(() => (window as unknown as { moved: number }).moved)).toBe(0);
  });

  test('takes its cart from React as from anybody', async () => {
    const { outputFiles } = buildSync({
      stdin: {
        contents: `
          import { createElement, useState } from 'react';
          import { createRoot } from 'react-dom/client';
          const cart = (product) => ({ lines: [{ product, quantity: 1 }], destination: { country: 'NL', postcode: '1799 ZA' } });
          function App({ src, shopKey }) {
            const [product, setProduct] = useState('tidewing-16');
            return createElement('div', null,
              createElement('button', { onClick: () => setProduct('dune-hopper') }, 'Another'),
              createElement('summant-offer', { src, 'shop-key': shopKey, language: 'nl-NL', place: 'cart', cart: cart(product) }));
          }
          const room = document.getElementById('room');
          createRoot(room).render(createElement(App, { src: room.dataset.src, shopKey: room.dataset.key }));
        `,
        resolveDir: root,
      },
      bundle: true,
      format: 'esm',
      minify: true,
      write: false,
      define: { 'process.env.NODE_ENV': '"production"' },
    });
    const page = await open(
      '<div id="room" data-src="%SUMMANT%" data-key="%KEY%"></div><script type="module" src="%AT%/app.js"></script>',
      { files: { 'app.js': outputFiles[0]!.text } },
    );
    await reads(page, /Nog € 35,05/);
    await page.getByRole('button', { name: 'Another' }).click();
    await reads(page, /Nog € 56,05/);
  });

  test('tries again under another name of the place, and of what it shows', async () => {
    const page = await open(element('place="cart" show="text"'));
    await reads(page, /Nog € 35,05/);
    const offer = page.locator('summant-offer');
    await offer.evaluate((one) => one.setAttribute('show', 'options'));
    await reads(page, /^Bezorging/);
    await offer.evaluate((one) => one.setAttribute('language', 'fr-BE'));
    await reads(page, /^Livraison/);
    await offer.evaluate((one) => one.remove());
    expect(await page.locator('summant-offer').count()).toBe(0);
  });
});
