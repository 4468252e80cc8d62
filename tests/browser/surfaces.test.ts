import type { Operation } from 'rfc6902';
import { beforeEach, describe, expect, test } from 'vitest';
import { call, etagOf, goalPath, patchDraft, readDraft } from '../support/api.ts';
import { emptyDraft, releaseDemo, resetDraft, saved, textOf, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
beforeEach(async () => {
  await resetDraft();
  await releaseDemo();
});

const stateOf = (page: Awaited<ReturnType<typeof open>>, id: string) =>
  page.getByTestId(`surface-${id}`).getAttribute('data-state');
const plain = (text: string) => text.replaceAll(/[\u00a0\u202f]/g, ' ').trim();

test('what is stale stands first, says what it should say, and has its new text beside it', async () => {
  const page = await open('/release');
  await expect.poll(() => stateOf(page, 'banner-nl')).toBe('stale');
  await expect.poll(() => stateOf(page, 'delivery-nl')).toBe('right');
  await expect.poll(() => textOf(page, '[data-testid=verdict]')).toContain('of 8 are stale');
  const first = await page.getByTestId('surfaces').locator('li').first().getAttribute('data-state');
  expect(first).toBe('stale');
  await page.getByTestId('surface-open-banner-nl').click();
  const row = page.getByTestId('surface-banner-nl');
  await expect
    .poll(async () => plain(await row.getByTestId('statements').innerText()))
    .toContain('€ 65,- stale: was never so; should say € 75,00');
  expect(await row.locator('mark').getAttribute('data-verdict')).toBe('stale');
  await expect
    .poll(async () => plain(await row.getByTestId('generated-text').innerText()))
    .toBe('Gratis bezorging vanaf € 75,00');
});

test('what is stale is found by the check-up, counted on the trail, and led to from any stop', async () => {
  const page = await open('/offers');
  await expect.poll(() => page.getByTestId('count-release').innerText()).toMatch(/^\d+\s/);
  await page.getByTestId('count-release').click();
  await page.waitForURL('**/release?**');
  const finding = page.getByTestId('check-up').getByText('“Banner of the Danish shop” states');
  await expect.poll(() => finding.count()).toBe(1);
  await page.goto(`${here.address}/release?surface=banner-da#surfaces`);
  await expect.poll(() => page.getByTestId('surface-banner-da').getByTestId('statements').count()).toBe(1);
  const count = async () => Number(/\d+/.exec(await page.getByTestId('count-release').innerText())?.[0]);
  await expect.poll(count).toBeGreaterThan(0);
  const before = await count();
  // Said to be done: it is found no more, without another look at the page.
  await page.getByTestId('surface-banner-da').getByTestId('surface-done').click();
  await expect.poll(count).toBe(before - 1);
});

test('in a long page the place that is not right is in sight, and others are shown when they are asked for', async () => {
  const lines = (count: number) => 'Een zin over vliegers en wind.\n'.repeat(count);
  const text = `${lines(4000)}Gratis bezorging vanaf € 71,-\n${lines(4000)}Gratis bezorging vanaf € 72,-\n${lines(100)}`;
  await call(here.address, 'PUT', '/api/surfaces/delivery-nl/text', {
    body: { text, format: 'text', source: 'pasted' },
  });
  const page = await open('/release?surface=delivery-nl#surfaces');
  const row = page.getByTestId('surface-delivery-nl');
  /** Whether a mark is seen in the box that the text scrolls in. */
  const inSight = (words: string) =>
    row.locator('mark', { hasText: words }).evaluateAll((marks) => {
      const box = marks[0]?.closest('[data-testid=surface-text]')?.getBoundingClientRect();
      const mark = marks[0]?.getBoundingClientRect();
      return box !== undefined && mark !== undefined && mark.top >= box.top && mark.bottom <= box.bottom;
    });
  await expect.poll(() => inSight('71,-')).toBe(true);
  expect(await inSight('72,-')).toBe(false);
  await row.getByTestId('statements').getByRole('button', { name: '72,-' }).press('Enter');
  await expect.poll(() => inSight('72,-')).toBe(true);
  await row.getByTestId('surface-fetch').click();
  await expect.poll(() => stateOf(page, 'delivery-nl')).toBe('right');
});

test('an edit says which surface it leaves behind before it is released', async () => {
  const page = await open('/release');
  await expect.poll(() => stateOf(page, 'delivery-nl')).toBe('right');
  const { revision } = await readDraft(here.address);
  await patchDraft(here.address, revision, [{ op: 'replace', path: goalPath('nlbe'), value: 6000 }]);
  await page.reload();
  const row = page.getByTestId('surface-delivery-nl');
  await expect.poll(() => row.innerText()).toContain('One statement will not be right any more');
  await expect.poll(() => textOf(page, '[data-testid=verdict]')).toContain('behind that');
});

test('one is added, pasted, compared, kept by somebody, and taken out; all of it by the keyboard', async () => {
  const page = await open('/release');
  await page.getByTestId('add-surface-mailTemplate').press('Enter');
  const row = page.getByTestId('surface-mail-template');
  const compare = async () => {
    const button = row.getByTestId('surface-compare-pasted');
    await expect.poll(() => button.isEnabled()).toBe(true);
    await button.press('Enter');
  };
  await expect.poll(() => row.getByTestId('surface-fields').count()).toBe(1);
  await saved(page);
  await row.getByRole('button', { name: 'Netherlands & Belgium' }).press('Enter');
  await row.getByRole('button', { name: 'nl-NL' }).press('Enter');
  await saved(page);
  await expect.poll(() => stateOf(page, 'mail-template')).toBe('neverCompared');
  await row.getByTestId('surface-paste').fill('Bestel voor € 75 en de bezorging is gratis.');
  await compare();
  await expect.poll(() => stateOf(page, 'mail-template')).toBe('right');
  await row.getByTestId('surface-paste').fill('Bestel voor € 85 en de bezorging is gratis.');
  await compare();
  await expect.poll(() => stateOf(page, 'mail-template')).toBe('stale');
  await expect.poll(() => row.getByTestId('surface-done').isEnabled()).toBe(true);
  await row.getByTestId('surface-done').press('Enter');
  await expect.poll(() => stateOf(page, 'mail-template')).toBe('byHand');
  await row.getByRole('button', { name: 'Remove “mail template”' }).press('Enter');
  await expect.poll(() => page.getByTestId('surface-mail-template').count()).toBe(0);
});

describe('texts for surfaces', () => {
  test('are shown for every market, as a page where they are one, in words that can be changed', async () => {
    const page = await open('/release');
    const published = page.getByTestId('published');
    const shown = published.frameLocator('iframe').locator('main');
    await expect.poll(() => shown.innerText()).toContain('Bezorging en wat die kost');
    await published.getByTestId('published-market').selectOption('deat');
    await expect.poll(() => shown.innerText()).toContain('Lieferung und was sie kostet');
    await published.getByTestId('published-language').selectOption('ar-DE');
    await expect.poll(() => shown.innerText()).toContain('التوصيل وأسعاره');
    await published.getByTestId('published-market').selectOption('uk');
    await published.getByTestId('published-file').selectOption('banner.txt');
    await expect.poll(() => published.getByTestId('generated-text').innerText()).toContain('Free delivery from £70.00');
    await published.getByTestId('surface-texts-fold').click();
    const field = published.getByTestId('surface-text-bannerGoal');
    await published.getByRole('searchbox').fill('Free delivery from');
    const sample = published.getByTestId('surface-sample-bannerGoal');
    await expect.poll(() => sample.innerText()).toBe('Free delivery from £75.00');
    await field.fill('On us from {nothing}');
    await field.press('Enter');
    await expect.poll(() => published.innerText()).toContain('Its values are {goal}');
    await field.fill('Carriage paid from {goal}');
    await field.press('Enter');
    await expect.poll(() => published.getByTestId('generated-text').innerText()).toContain('Carriage paid from £70.00');
    await expect.poll(() => sample.innerText()).toBe('Carriage paid from £75.00');
    // What is released says it as it did.
    const response = await fetch(new URL('/published/uk/en-GB/banner.txt', here.address));
    expect(await response.text()).toContain('Free delivery from £70.00');
  });
  test('hosts are listed by what is typed of an address', async () => {
    const page = await open('/release');
    await page.getByTestId('listed-hosts-fold').click();
    const field = page.getByLabel('Host that pages are fetched from');
    await field.fill('https://shop.example.com/delivery');
    await field.press('Enter');
    await expect.poll(() => textOf(page, '[data-testid=listed-hosts]')).toContain('shop.example.com');
    await page.getByRole('button', { name: /host shop\.example\.com/ }).click();
    await expect
      .poll(async () => (await call<{ hosts: string[] }>(here.address, 'GET', '/api/listed-hosts')).body.hosts)
      .toEqual([]);
  });
});

const market = (order: number, name: string, country: string) => ({
  order,
  name,
  countries: [country],
  currency: 'EUR',
  languages: ['nl-NL'],
  tax: { prices: 'withTax', delivery: '21', classes: { standard: '21' } },
  preselect: 'first',
});

test('a store made by hand begins with its first surface, whatever markets it had in earlier releases', async () => {
  const blank = here.blankAddress;
  const edit = async (patch: Operation[]) => patchDraft(blank, (await readDraft(blank)).revision, patch);
  await emptyDraft(blank);
  await edit([{ op: 'add', path: '/markets/gone', value: market(1, 'Gone', 'LU') }]);
  // Two that are compared with each other on the page, of a market that the draft has no more.
  for (const note of ['first', 'second']) {
    const { revision } = await readDraft(blank);
    const headers = { 'if-match': etagOf(revision) };
    const released = await call(blank, 'POST', '/api/releases', {
      body: { note, reason: 'It is a beginning.' },
      headers,
    });
    expect(released.status).toBe(201);
  }
  await edit([
    { op: 'remove', path: '/markets/gone' },
    { op: 'add', path: '/markets/home', value: market(1, 'Home', 'NL') },
  ]);
  const page = await open('/release', { address: blank });
  await page.getByTestId('add-surface-banner').click();
  await expect.poll(() => textOf(page, '[data-testid=surface-banner]')).toContain('Nothing has been read of it yet');
  const shown = page.getByTestId('published').frameLocator('iframe').locator('main');
  await expect.poll(() => shown.innerText()).toContain('Bezorging en wat die kost');
});
