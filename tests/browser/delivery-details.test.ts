import { beforeEach, describe, expect, test } from 'vitest';
import { readDraft } from '../support/api.ts';
import { choose, leadOf, resetDraft, textOf, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
const address = here.address;
beforeEach(() => resetDraft());
const policy = async () => (await readDraft(address)).policy;
const option = async (id: string) => (await policy()).options[id]!;

describe('packing', () => {
  test('is said once for the store and differently for an option, in the units people use, and drawn on a cart', async () => {
    const page = await open('/delivery?market=nlbe&zone=nlbe-islands&option=nlbe-islands-ferry');
    const store = page.getByRole('region', { name: 'Packing' });
    await store.getByTestId('packing-most').fill('18 lb');
    await store.getByTestId('packing-most').press('Enter');
    await expect.poll(async () => (await policy()).store.packing).toEqual({ packaging: 150, most: 8165 });
    await expect
      .poll(() => store.getByTestId('packed-picture').innerText())
      .toMatch(/3 items of 11\.4 kg in 2 parcels/);
    await page.getByTestId('option-packing').selectOption('own');
    await expect.poll(async () => (await option('nlbe-islands-ferry')).packing).toEqual({ packaging: 150, most: 8165 });
    const own = page.getByTestId('packing-most').first();
    await own.fill('4');
    await own.press('Enter');
    // Four grams hold no piece: each travels alone, and is said to be too heavy.
    await expect
      .poll(() => page.getByTestId('packed-picture').first().innerText())
      .toMatch(/3 parcels[^]*more than a parcel may weigh/);
    await page.getByTestId('option-packing').selectOption('store');
    await expect.poll(async () => (await option('nlbe-islands-ferry')).packing).toBeUndefined();
  });
  test('the reason of a price names the parcels', async () => {
    const page = await open('/rehearse?cart=islands-heavy');
    const ferry = page.getByTestId('checkout-nlbe-islands-ferry');
    await ferry.getByRole('button', { name: /Why/ }).click();
    await expect
      .poll(() => page.locator('[popover]:popover-open').innerText())
      .toMatch(/goods weigh 11400 g and travel in one parcel, with its packaging 11550 g/);
  });
});

describe('questions of an option', () => {
  test('begin in the languages of the market, and are asked at Rehearse’s checkout with their faults', async () => {
    const page = await open('/delivery?market=nlbe&option=nlbe-door');
    await page.getByTestId('ask-telephone').click();
    await expect
      .poll(async () => (await option('nlbe-door')).questions?.telephone)
      .toMatchObject({ kind: 'telephone', required: true, label: { 'nl-NL': 'Telefoon voor de bezorger' } });
    await page.getByTestId('ask-if-nobody-is-in').click();
    await expect.poll(async () => Object.keys((await option('nlbe-door')).questions ?? {})).toHaveLength(2);
    await page.goto(`${address}/rehearse?cart=beach-day`);
    const telephone = page.getByTestId('question-nlbe-door-telephone');
    await telephone.fill('call me');
    await telephone.blur();
    const checkout = page.getByTestId('checkout-nlbe-door');
    await expect.poll(() => checkout.innerText()).toContain('Dit is geen telefoonnummer.');
    await telephone.fill('0222 12345');
    await expect.poll(() => checkout.innerText()).not.toContain('telefoonnummer.');
    await page.getByTestId('question-nlbe-door-if-nobody-is-in').focus();
    await page.getByTestId('question-nlbe-door-if-nobody-is-in').blur();
    await expect.poll(() => checkout.innerText()).toContain('Vul dit in.');
  });
});

/**
 * Drawings that run something where they are shown carelessly: kinds of the HTML5 Security Cheatsheet (html5sec.org, section on SVG)
 * and of OWASP's XSS Filter Evasion Cheat Sheet, written from memory. Each has a ground to be drawn, too.
 */
const attacks: readonly (readonly [name: string, inside: string, before?: string])[] = [
  ['load', '<rect width="9" height="9" onload="top.ran=1"/>'],
  ['script', '<script>top.ran=1</script>'],
  ['script from elsewhere', '<script xlink:href="/leak.js"/>'],
  ['script as data', '<script href="data:text/javascript,top.ran=1"/>'],
  ['link', '<a xlink:href="javascript:top.ran=1"><rect width="9" height="9"/></a>'],
  [
    'animation that begins',
    '<rect width="9" height="9"><animate attributeName="x" dur="1s" onbegin="top.ran=1"/></rect>',
  ],
  [
    'animation of a link',
    '<a><rect width="9" height="9"/><animate attributeName="href" values="javascript:top.ran=1"/></a>',
  ],
  ['set', '<rect width="9" height="9"><set attributeName="onmouseover" to="top.ran=1"/></rect>'],
  [
    'page within',
    '<foreignObject width="9" height="9"><body xmlns="http://www.w3.org/1999/xhtml" onload="top.ran=1"/></foreignObject>',
  ],
  [
    'frame within',
    '<foreignObject width="9" height="9"><iframe xmlns="http://www.w3.org/1999/xhtml" src="/leak"/></foreignObject>',
  ],
  ['image from elsewhere', '<image href="/leak.png" width="9" height="9" onerror="top.ran=1"/>'],
  ['use of another drawing', '<use href="/leak.svg#x"/>'],
  ['style from elsewhere', '<style>@import "/leak.css"; rect{fill:url(/leak.svg#y)}</style>'],
  ['filter from elsewhere', '<rect width="9" height="9" filter="url(/leak.svg#f)"/>'],
  ['handler', '<handler xmlns:ev="http://www.w3.org/2001/xml-events" ev:event="load">top.ran=1</handler>'],
  ['stylesheet of the document', '', '<?xml-stylesheet href="/leak.css"?>'],
  ['entity from elsewhere', '&x;', '<!DOCTYPE svg [<!ENTITY x SYSTEM "/leak.txt">]>'],
];

describe('a picture', () => {
  test('is chosen, cut to the part that is wanted, read out, shown at checkout and on the bench', async () => {
    const page = await open('/delivery?market=nlbe&option=nlbe-door');
    const halves = `<svg xmlns="http://www.w3.org/2000/svg" width="200" height="100"><rect width="100" height="100" fill="#f00"/><rect x="100" width="100" height="100" fill="#00f"/></svg>`;
    await page
      .getByTestId('picture-file')
      .setInputFiles({ name: 'halves.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(halves) });
    await expect.poll(async () => (await option('nlbe-door')).picture?.image).toMatch(/^[0-9a-f]{64}$/);
    const middle = (await option('nlbe-door')).picture!.image;
    await page.getByTestId('picture-part').selectOption('start');
    await expect.poll(async () => (await option('nlbe-door')).picture!.image).not.toBe(middle);
    await page.getByTestId('picture-alt-nl-NL').fill('Een doos');
    await page.getByTestId('picture-alt-nl-NL').press('Enter');
    await expect.poll(async () => (await option('nlbe-door')).picture!.alt).toEqual({ 'nl-NL': 'Een doos' });
    const { image } = (await option('nlbe-door')).picture!;
    await expect
      .poll(() => page.locator(`[data-testid=bench-beach-day] img[src="/pictures/${image}"]`).count())
      .toBe(1);
    await page.goto(`${address}/rehearse?cart=beach-day`);
    const shown = page.getByTestId('checkout-nlbe-door').getByRole('img', { name: 'Een doos' });
    await expect.poll(() => shown.evaluate((element) => (element as HTMLImageElement).naturalWidth)).toBe(192);
  });

  test('is made of dots, so that no drawing runs anything or asks for anything', async () => {
    const page = await open('/delivery?market=nlbe&option=nlbe-door');
    const asked: string[] = [];
    page.on('request', (request) => asked.push(request.url()));
    page.on('dialog', (dialog) => void dialog.dismiss().then(() => asked.push('leak by a dialog')));
    let kept = 0;
    for (const [number, [name, inside, before = '']] of attacks.entries()) {
      const ground = `<rect width="96" height="96" fill="rgb(${number},9,9)"/>`;
      const drawing = `${before}<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="96" height="96" onload="top.ran=1">${ground}${inside}</svg>`;
      const was = (await option('nlbe-door')).picture?.image;
      await page
        .getByTestId('picture-file')
        .setInputFiles({ name: 'attack.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(drawing) });
      const refused = page.getByTestId('picture').getByRole('alert');
      const image = async () => (await option('nlbe-door')).picture?.image;
      await expect.poll(async () => (await refused.count()) > 0 || (await image()) !== was).toBe(true);
      if ((await refused.count()) > 0) continue;
      kept++;
      const bytes = Buffer.from(await (await fetch(`${address}/pictures/${await image()}`)).arrayBuffer());
      expect([name, bytes.subarray(1, 4).toString('latin1'), bytes.includes('ran'), bytes.includes('leak')]).toEqual([
        name,
        'PNG',
        false,
        false,
      ]);
    }
    expect(kept).toBeGreaterThan(attacks.length - 3);
    expect(await page.evaluate(() => (window as unknown as { ran?: number }).ran)).toBeUndefined();
    expect(asked.filter((url) => url.includes('leak'))).toEqual([]);
  });
});

describe('a notice', () => {
  test('begins from a starter, off; turned on it is read where no offer speaks, and deleted with its texts', async () => {
    const page = await open('/wording?market=jp');
    await page.getByTestId('notice-weather').click();
    await expect.poll(async () => (await policy()).notices?.weather).toMatchObject({ on: false, priority: 0 });
    await expect.poll(() => textOf(page, '[data-testid=storyboard]')).toContain('天候の影響');
    const text = page.getByTestId('text-notice').getByRole('textbox');
    await text.fill('遅れています {goal}');
    await expect.poll(() => page.getByText('A notice has no goal, so there is no {goal}.').count()).toBeGreaterThan(0);
    await text.fill('遅れています {items}');
    await page.getByTestId('notice-on').check();
    await page.getByTestId('notice-priority').fill('900');
    await page.getByTestId('notice-priority').press('Enter');
    await expect.poll(async () => (await policy()).notices?.weather).toMatchObject({ on: true, priority: 900 });
    await page.getByTestId('countdown-to').selectOption('moment');
    await expect.poll(async () => (await policy()).notices?.weather!.countdown?.to).toBe('moment');
    await page.goto(`${address}/wording?offer=order-today&view=leads&market=nlbe`);
    await expect.poll(() => textOf(page, '[data-testid=who-leads]')).toContain('Order by four');
    await page.goto(`${address}/wording?offer=weather`);
    await page.getByTestId('remove-notice').click();
    await expect.poll(async () => (await policy()).wording.weather).toBeUndefined();
    expect(await leadOf(page, 'beach-day')).toContain('gratis bezorging');
  });
});

describe('an offer for people outside', () => {
  test('is written once, filled in every market with what is enforced there, and copied', async () => {
    const page = await open('/wording?view=outside&offer=free-delivery&language=en-GB');
    await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
    const copied = () => page.evaluate(() => navigator.clipboard.readText());
    const british = page.getByTestId('outside-newsletter-uk-en-GB');
    const written = page.getByTestId('text-newsletter').getByRole('textbox');
    await written.fill('Spend {goal}, pay no delivery; {remaining}.');
    await expect
      .poll(() => textOf(page, '[data-testid=text-newsletter]'))
      .toContain('Outside the shop there is no cart, so there is no {remaining}.');
    await written.fill('Spend {goal}: free delivery.');
    await expect.poll(() => british.innerText()).toContain('Spend £70.00: free delivery.');
    await expect.poll(() => textOf(page, '[data-testid=outside-newsletter-ch-fr-CH]')).toContain('not written yet');
    await british.getByRole('button', { name: 'Copy newsletter, United Kingdom, en-GB' }).click();
    await expect.poll(copied).toBe('Spend £70.00: free delivery.');
    await expect.poll(() => british.innerText()).toContain('copied, not sent');
    await page.getByRole('button', { name: 'write it in fr-CH' }).first().click();
    await expect.poll(() => page.getByTestId('language-phrase').inputValue()).toBe('fr-CH');
    await page.getByTestId('text-landingPage').getByRole('textbox').fill('Dès {goal}, livraison gratuite.');
    await expect
      .poll(() => textOf(page, '[data-testid=outside-landingPage-ch-fr-CH]'))
      .toMatch(/Dès 90[.,]00 CHF, livraison gratuite\./);
    await expect
      .poll(async () => (await policy()).wording['free-delivery']!.landingPage!.everyPlace!['fr-CH'])
      .toBe('Dès {goal}, livraison gratuite.');
  });
  test('says what the shop holds to until the draft is released, what is left unsaid, and that a notice promises nothing', async () => {
    const page = await open('/offers?offer=free-delivery');
    const cell = page.getByTestId('grid-free-delivery-uk');
    await cell.fill('65');
    await cell.press('Enter');
    await expect
      .poll(async () => (await policy()).offers['free-delivery']!.goals.first!.targets.uk)
      .toEqual({ exact: 6500 });
    await page.goto(`${address}/wording?view=outside&offer=free-delivery&language=en-GB`);
    await expect
      .poll(() => textOf(page, '[data-testid=outside-newsletter-uk-en-GB]'))
      .toMatch(/From £65\.00 on[^]*until the draft is released: “From £70\.00 on/);
    await expect
      .poll(() => textOf(page, '[data-testid=outside-newsletter-nlbe-nl-NL]'))
      .toContain('not for “Taken along at the counter”');
    await choose(page, page.getByTestId('offer-phrase'), 'Order by four');
    await expect.poll(() => textOf(page, '[data-testid=outside-notice]')).toContain('promises nothing to reach');
    await page.goto(`${address}/wording?view=outside&offer=members-sooner`);
    await expect.poll(() => textOf(page, '[data-testid=outside-newsletter]')).toContain('not written yet');
    await page.goto(`${address}/offers?offer=members-sooner`);
    await page.getByRole('checkbox', { name: 'Members sooner is on' }).uncheck();
    await expect.poll(async () => (await policy()).offers['members-sooner']!.on).toBe(false);
    await page.goto(`${address}/wording?view=outside&offer=members-sooner`);
    await expect.poll(() => textOf(page, '[data-testid=outside-standing]')).toContain('It is off in this draft');
  });
});
