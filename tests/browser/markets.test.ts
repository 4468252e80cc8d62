import type { Page } from 'playwright-core';
import { beforeEach, describe, expect, test } from 'vitest';
import { patchDraft, readDraft } from '../support/api.ts';
import { choose, emptyDraft, resetDraft, saved, textOf, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open, another } = useBrowser();
beforeEach(() => resetDraft());
const address = here.address;
const policy = async () => (await readDraft(address)).policy;
const cell = (page: Page, code: string) => page.locator(`[data-country=${code}]`);

describe('the coverage board', () => {
  test('a click gives a country to the chosen market and takes it out again; undo brings it back', async () => {
    const page = await open('/markets?market=dk');
    expect(await textOf(page, '[data-testid=coverage-in-words]')).toBe(
      '10 countries in 7 markets; the other 239 go to United States & elsewhere.',
    );
    await cell(page, 'SE').click();
    await expect.poll(async () => (await policy()).markets.dk!.countries).toEqual(['DK', 'SE']);
    expect(await cell(page, 'SE').getAttribute('aria-pressed')).toBe('true');
    await cell(page, 'SE').click();
    await expect.poll(async () => (await policy()).markets.dk!.countries).toEqual(['DK']);
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await policy()).markets.dk!.countries).toEqual(['DK', 'SE']);
  });
  test('a country comes from the market it was in; the last one of a market stays, and says why', async () => {
    const page = await open('/markets?market=dk');
    await cell(page, 'LU').click();
    await expect
      .poll(async () => {
        const { markets } = await policy();
        return [markets.nlbe!.countries, markets.dk!.countries];
      })
      .toEqual([
        ['NL', 'BE'],
        ['DK', 'LU'],
      ]);
    await cell(page, 'CH').click();
    expect(await page.getByRole('alert').innerText()).toContain('Market “Switzerland”');
    expect((await policy()).markets.ch!.countries).toEqual(['CH']);
    await page.getByRole('button', { name: 'All right' }).click();
    await cell(page, 'AT').click();
    expect(await page.getByRole('alert').innerText()).toContain('Zone “Austria”: AT is not a country of this zone');
  });
  test('a run of countries by dragging, and by keyboard alone', async () => {
    const page = await open('/markets?market=dk');
    const [from, to] = [(await cell(page, 'EE').boundingBox())!, (await cell(page, 'FO').boundingBox())!];
    await page.mouse.move(from.x + 5, from.y + 5);
    await page.mouse.down();
    await page.mouse.move(to.x + 5, to.y + 5, { steps: 6 });
    await page.mouse.up();
    await expect.poll(async () => (await policy()).markets.dk!.countries).toEqual(['DK', 'EE', 'ES', 'FI', 'FO']);
    await page.keyboard.press('End');
    for (let i = 0; i < 2; i++) await page.keyboard.press('Shift+ArrowLeft');
    await page.keyboard.press('Enter');
    await expect
      .poll(async () => (await policy()).markets.dk!.countries)
      .toEqual(['DK', 'EE', 'ES', 'FI', 'FO', 'GS', 'HM', 'TF']);
  });
  test('a country is found by its name and made a market of its own, in which a cart can be rehearsed', async () => {
    const page = await open('/markets?market=dk');
    await page.getByTestId('find-country').fill('swed');
    await page.getByTestId('make-market').click();
    await page.getByTestId('market-sweden').click();
    await saved(page);
    expect((await policy()).markets.sweden).toMatchObject({ countries: ['SE'], languages: ['sv-SE'] });
    await page.getByTestId('remove-market').click();
    await expect.poll(async () => (await policy()).markets.sweden).toBeUndefined();
  });
  test('an empty store begins with a country', async () => {
    await emptyDraft(here.blankAddress);
    const page = await open('/markets', { address: here.blankAddress });
    await page.getByTestId('find-country').fill('Norway');
    await page.getByTestId('make-market').click();
    await expect.poll(async () => Object.keys((await readDraft(here.blankAddress)).policy.markets)).toEqual(['norway']);
    await page.keyboard.press('Control+z');
    await expect.poll(async () => Object.keys((await readDraft(here.blankAddress)).policy.markets)).toEqual([]);
    await cell(page, 'JP').click();
    await expect
      .poll(async () => Object.values((await readDraft(here.blankAddress)).policy.markets))
      .toMatchObject([{ name: 'Japan', countries: ['JP'], currency: 'JPY' }]);
  });
});

test('what a market fixes is typed in place, and the bench answers at each key', async () => {
  const page = await open('/markets?market=dk');
  const tax = page.getByTestId('tax-delivery');
  await tax.fill('5');
  await tax.press('Enter');
  await expect.poll(async () => (await policy()).markets.dk!.tax.delivery).toBe('5');
  await choose(page, page.getByTestId('market-currency'), 'sek');
  // Amounts that follow have no rate of that currency to follow by.
  await expect.poll(() => page.getByRole('alert').count()).toBe(1);
  expect((await policy()).markets.dk!.currency).toBe('DKK');
});

describe('zones', () => {
  test('a postcode tells the region where the country’s scheme does, and a region that is chosen stays', async () => {
    const page = await open('/markets?market=us');
    await choose(page, page.getByTestId('where-country'), 'united states');
    await page.getByTestId('where-postcode').fill('99501');
    await expect.poll(() => page.getByTestId('where-region').innerText()).toBe('Alaska, by the postcode');
    expect(await textOf(page, '[data-testid=where-answer]')).toMatch(/^Alaska and Hawaii in .*, by its region\.$/);
    await choose(page, page.getByTestId('where-region'), 'new york');
    await expect
      .poll(() => textOf(page, '[data-testid=where-answer]'))
      .toMatch(/^United States in .*, by its country\.$/);
  });
  test('pasted postcodes are normalised, marked and taken in; the next destination goes there', async () => {
    const page = await open('/markets?market=nlbe&zone=nlbe-round');
    await page.getByTestId('paste-include').click();
    await page.getByTestId('pasted-postcodes').fill('2585 am\n2585AM\n2500..2599\nÄÖ');
    expect(await textOf(page, '[data-testid=pasted-report]')).toMatch(
      /Take in 2.*1 stood there more than once.*1 lies within others, such as 2585AM in 2500\.\.2599.*1 cannot be read: line 4/s,
    );
    await page.getByRole('button', { name: 'Take in 2' }).click();
    await expect
      .poll(async () => Object.values((await policy()).zones['nlbe-round']!.area.include))
      .toContainEqual({ kind: 'postcodes', country: 'NL', patterns: { '2585AM': true, '2500..2599': true } });
    await page.getByTestId('where-postcode').fill('2585 AM');
    expect(await textOf(page, '[data-testid=where-answer]')).toBe(
      'Around the shop in Netherlands & Belgium, by the postcode 2585AM.',
    );
    expect(await textOf(page, '[data-testid=where-others]')).toBe(
      'All of the Netherlands and Belgium would have it by its country, which is less specific.',
    );
  });
  test('where it would go: no market, no zone, left out, a distance', async () => {
    await patchDraft(address, (await readDraft(address)).revision, [
      {
        op: 'add',
        path: '/places',
        value: {
          shop: {
            order: 1,
            name: 'The shop',
            address: { street: '1 Dune Road', postcode: '1799 ZA', town: 'Gustmoor', country: 'NL' },
            coordinates: { latitude: 53.1, longitude: 4.85 },
          },
        },
      },
    ]);
    const page = await open('/markets');
    const answer = () => textOf(page, '[data-testid=where-answer]');
    await choose(page, page.getByTestId('where-country'), 'Luxembourg');
    expect(await answer()).toBe('no zone of Netherlands & Belgium covers it; it cannot check out.');
    await choose(page, page.getByTestId('where-country'), 'nl');
    await page.getByTestId('where-postcode').fill('8895 ZZ');
    expect(await answer()).toBe('All of the Netherlands and Belgium in Netherlands & Belgium, by its country.');
    expect(await textOf(page, '[data-testid=where-others]')).toBe(
      'Outer islands would have it by the postcode 8891 to 8899, but leaves it out.',
    );
    await page.getByTestId('where-postcode').fill('');
    await page.getByTestId('where-place').selectOption('shop');
    expect(await answer()).toBe('Around the shop in Netherlands & Belgium, by its distance.');
    await page.getByTestId('where-distance').fill('16');
    expect(await answer()).toBe('All of the Netherlands and Belgium in Netherlands & Belgium, by its country.');
    await page.getByTestId('where-country').click();
    await page.locator('[popover]:popover-open input').fill('Atlantis');
    await page.getByText('Type what it is.').waitFor();
  });
  test('order by button and by keys; on and off; added and removed', async () => {
    const page = await open('/markets?market=nlbe');
    const names = async () => (await page.locator('[data-testid^=open-zone-]').allInnerTexts()).slice(0, 3);
    await page.getByTestId('open-zone-nlbe-all').focus();
    await page.keyboard.press('Alt+ArrowDown');
    expect(await names()).toEqual(['Outer islands', 'All of the Netherlands and Belgium', 'Around the shop']);
    await page.getByRole('button', { name: 'Move Outer islands down' }).click();
    expect(await names()).toEqual(['All of the Netherlands and Belgium', 'Outer islands', 'Around the shop']);
    await page.getByRole('checkbox', { name: 'Outer islands is on' }).click();
    await expect.poll(async () => (await policy()).zones['nlbe-islands']!.on).toBe(false);
    await page.getByTestId('add-zone').click();
    await saved(page);
    expect(Object.values((await policy()).zones).filter(({ market }) => market === 'nlbe')).toHaveLength(4);
    await page.getByTestId('open-zone-nlbe-round').click();
    await page.getByTestId('remove-zone').click();
    await expect.poll(async () => (await policy()).options['nlbe-round-van']).toBeUndefined();
  });
  test('two people: different zones are both kept; the same field asks the second', async () => {
    const page = await open('/markets?market=nlbe&zone=nlbe-all', { allow: /412/ });
    const other = await another(page, '/markets?market=nlbe&zone=nlbe-islands');
    const rename = async (at: Page, name: string) => {
      await at.getByTestId('zone-name').fill(name);
      await at.getByTestId('zone-name').press('Enter');
      await saved(at);
    };
    // Hears nothing of what is done here until it sends something itself.
    await other.evaluate(() => (window.BroadcastChannel.prototype.postMessage = () => {}));
    await Promise.all([rename(page, 'Mainland'), rename(other, 'Islands')]);
    await expect
      .poll(async () => {
        const { zones } = await policy();
        return [zones['nlbe-all']!.name, zones['nlbe-islands']!.name];
      })
      .toEqual(['Mainland', 'Islands']);
  });
});

describe('currencies', () => {
  test('a rate is adopted by hand, and what follows moves', async () => {
    const page = await open('/markets?market=dk');
    const row = page.getByTestId('rate-DKK');
    await page.getByTestId('adopt-DKK').click();
    await saved(page);
    const { rates } = await policy();
    expect(await row.innerText()).toContain(rates!.DKK!.rate);
    expect(rates!.DKK!.adoptedAt).not.toBe('2026-11-02');
    expect(await page.getByTestId('adopt-DKK').count()).toBe(0);
  });
  test('drift is told for each amount that rests on a rate, and can be avoided with one click', async () => {
    const page = await open('/markets?market=jp');
    await page.getByTestId('drift-table').waitFor();
    const misled = page.getByTestId('drift-table').locator('tr', { hasText: 'set that' }).first();
    const before = await misled.innerText();
    expect(before).toMatch(/[1-9]\d* of \d+ days/);
    await misled.getByRole('button').click();
    await saved(page);
    await expect
      .poll(() =>
        page
          .getByTestId('drift-table')
          .locator('tr', { hasText: before.split('\t')[0]!.trim() })
          .first()
          .innerText(),
      )
      .toMatch(/\b0 of \d+ days/);
  });
  test('the feed can be down, and says what was kept', async () => {
    const page = await open('/markets?market=dk', { allow: /502/ });
    await page.getByTestId('feed-mode').selectOption('down');
    await expect.poll(() => page.getByTestId('feed-mode').inputValue()).toBe('down');
    await page.getByTestId('fetch-rates').click();
    expect(await textOf(page, '[data-testid=feed-said]')).toContain(
      'The rates known so far and those adopted are kept.',
    );
    await page.getByTestId('feed-mode').selectOption('works');
    await expect.poll(() => page.getByTestId('feed-mode').inputValue()).toBe('works');
    await page.getByTestId('fetch-rates').click();
    await expect.poll(() => textOf(page, '[data-testid=feed-said]')).toContain('Nothing is adopted by that.');
  });
  test('a file of rates is looked at before it is taken over', async () => {
    const page = await open('/markets?market=dk');
    await page.getByRole('button', { name: 'Import rates' }).click();
    await page.getByTestId('rates-file').setInputFiles({
      name: 'rates.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('Date,DKK,\n2018-05-04,7.4501,\n'),
    });
    expect(await textOf(page, '[data-testid=rates-dry-run]')).toContain(
      '1 currency from 2018-05-04 to 2018-05-04: 1 new rates',
    );
    await page.getByRole('button', { name: 'Take them over' }).click();
    await page.getByText('1 new rates and 0 changed ones are there.').waitFor();
  });
});
