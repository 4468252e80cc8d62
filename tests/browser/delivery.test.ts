import type { Page } from 'playwright-core';
import { beforeEach, describe, expect, test } from 'vitest';
import type { ChargeLine } from '../../src/core/policy/types.ts';
import { inOrder } from '../../src/core/ordered.ts';
import { readDraft } from '../support/api.ts';
import {
  choose,
  dragOnto,
  emptyDraft,
  resetDraft,
  saved,
  search,
  setDate,
  textOf,
  useBrowser,
} from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open, another } = useBrowser();
beforeEach(() => resetDraft());
const address = here.address;
const policy = async () => (await readDraft(address)).policy;
const linesOf = async (option: string): Promise<ChargeLine[]> =>
  inOrder((await policy()).options[option]!.charge.lines).map(([, line]) => line);
const edges = async (option: string) => (await linesOf(option)).map(({ over }) => [over?.from, over?.to]);
const priceOnBench = (page: Page, cart: string) => textOf(page, `[data-testid=bench-${cart}]`);

describe('the staircase', () => {
  test('an edge dragged moves both steps at once, and the bench with it', async () => {
    const page = await open('/delivery?market=nlbe');
    const handle = (await page.getByTestId('edge-0').boundingBox())!;
    const picture = (await page.getByTestId('charge-picture').boundingBox())!;
    expect(await priceOnBench(page, 'beach-day')).toContain('€5.95');
    const end = Number(await page.getByTestId('charge-picture').getAttribute('data-end'));
    const pixels = ((7000 - 4000) / end) * (picture.width - 66);
    await page.mouse.move(handle.x + handle.width / 2, picture.y + 120);
    await page.mouse.down();
    await page.mouse.move(handle.x + handle.width / 2 + pixels / 2, picture.y + 120, { steps: 4 });
    await page.mouse.move(handle.x + handle.width / 2 + pixels, picture.y + 120, { steps: 4 });
    // Shown on the bench before it is let go.
    expect(await priceOnBench(page, 'beach-day')).toContain('€6.95');
    expect(await edges('nlbe-door')).toEqual([
      [{ exact: 0 }, { exact: 4000 }],
      [{ exact: 4000 }, { exact: 12_000 }],
      [{ exact: 12_000 }, null],
    ]);
    await page.mouse.up();
    await saved(page);
    const moved = (await edges('nlbe-door')).map(([from]) => (from as { exact: number }).exact);
    expect(Math.abs(moved[1]! - 7000)).toBeLessThan(150);
    expect(await edges('nlbe-door')).toEqual([
      [{ exact: 0 }, { exact: moved[1] }],
      [{ exact: moved[1] }, { exact: 12_000 }],
      [{ exact: 12_000 }, null],
    ]);
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await edges('nlbe-door'))[0]).toEqual([{ exact: 0 }, { exact: 4000 }]);
  });
  test('edges and treads move by keys, and an edge never passes its neighbour', async () => {
    const page = await open('/delivery?market=nlbe');
    await page.getByTestId('edge-1').focus();
    await page.keyboard.press('Alt+ArrowRight');
    await expect.poll(async () => (await edges('nlbe-door'))[2]).toEqual([{ exact: 12_001 }, null]);
    for (let i = 0; i < 60; i++) await page.keyboard.press('Shift+ArrowLeft');
    await expect.poll(async () => (await edges('nlbe-door'))[2]).toEqual([{ exact: 4001 }, null]);
    await page.getByTestId('tread-step-1').focus();
    await page.keyboard.press('Alt+ArrowUp');
    await expect.poll(async () => (await linesOf('nlbe-door'))[0]!.price).toEqual({ fixed: { exact: 696 } });
  });
  test('steps of weight are drawn along the weight', async () => {
    const page = await open('/delivery?zone=nlbe-islands');
    expect(await page.getByTestId('picture-axis').inputValue()).toBe('weight');
    expect(await page.getByTestId('edge-1').getAttribute('aria-valuetext')).toBe('10 kg');
  });
});

describe('a charge', () => {
  test('is typed in place; steps are added, moved and taken out without a gap', async () => {
    const page = await open('/delivery?market=nlbe');
    await page.getByTestId('price-1').fill('7.20');
    expect(await textOf(page, '[data-testid=row-nlbe-door]')).toContain('€7.20, €5.95 from €40.00');
    await page.getByTestId('price-1').press('Enter');
    await page.getByTestId('from-2').fill('45');
    await page.getByTestId('from-2').press('Enter');
    await page.getByTestId('add-step').click();
    await expect
      .poll(() => edges('nlbe-door'))
      .toEqual([
        [{ exact: 0 }, { exact: 4500 }],
        [{ exact: 4500 }, { exact: 12_000 }],
        [{ exact: 12_000 }, { exact: 24_000 }],
        [{ exact: 24_000 }, null],
      ]);
    await page.getByRole('button', { name: 'Remove line 2' }).click();
    await expect
      .poll(() => edges('nlbe-door'))
      .toEqual([
        [{ exact: 0 }, { exact: 12_000 }],
        [{ exact: 12_000 }, { exact: 24_000 }],
        [{ exact: 24_000 }, null],
      ]);
  });
  test('of another kind keeps its price; lines of its own are reordered, and the one no cart takes is marked', async () => {
    const page = await open('/delivery?market=nlbe&option=nlbe-parcel-shop');
    await page.getByTestId('charge-kind').selectOption('own');
    await page.getByRole('button', { name: 'add a price' }).click();
    expect(await textOf(page, '[data-testid=charge-editor]')).toContain('no cart takes it: line 1 does');
    await page.getByRole('button', { name: 'Move line 2 up' }).click();
    await expect
      .poll(async () => (await linesOf('nlbe-parcel-shop')).map(({ price }) => 'fixed' in price && price.fixed))
      .toEqual([{ exact: 500 }, { exact: 450 }]);
    const lines = page.locator('li[data-testid^=line-]');
    await dragOnto(page, lines.nth(1).getByTestId(/^drag-/), lines.nth(0));
    await expect
      .poll(async () => (await linesOf('nlbe-parcel-shop')).map(({ price }) => 'fixed' in price && price.fixed))
      .toEqual([{ exact: 450 }, { exact: 500 }]);
    await page.getByTestId('charge-combine').selectOption('sum');
    expect(await textOf(page, '[data-testid=charge-editor]')).not.toContain('no cart takes it');
    await expect.poll(() => priceOnBench(page, 'beach-day')).toContain('€9.50');
  });
  test('the line that a cart takes is lit', async () => {
    const page = await open('/delivery?market=nlbe');
    await page.getByTestId('lit-cart').selectOption('beach-day');
    expect(await page.locator('[data-lit=true]').getAttribute('data-testid')).toBe('line-step-2');
  });
});

describe('options', () => {
  test('are put in order by dragging and by keys', async () => {
    const page = await open('/delivery?market=nlbe&option=nlbe-counter');
    const names = () => page.locator('[data-testid^=open-nlbe]').allInnerTexts();
    expect(await names()).toEqual(['Parcel to the door', 'Parcel shop', 'Taken along at the counter']);
    await dragOnto(page, page.getByTestId('drag-nlbe-counter'), page.getByTestId('row-nlbe-door'));
    await expect.poll(names).toEqual(['Taken along at the counter', 'Parcel to the door', 'Parcel shop']);
    await page.getByTestId('open-nlbe-counter').focus();
    await page.keyboard.press('Alt+ArrowDown');
    await expect.poll(names).toEqual(['Parcel to the door', 'Taken along at the counter', 'Parcel shop']);
    await saved(page);
    const { options } = await policy();
    expect(
      inOrder(options)
        .filter(([, { zone }]) => zone === 'nlbe-all')
        .map(([id]) => id),
    ).toEqual(['nlbe-door', 'nlbe-counter', 'nlbe-parcel-shop']);
  });
  test('names, estimate, cut-off, availability and dates are set in sentences', async () => {
    const page = await open('/delivery?market=nlbe&option=nlbe-parcel-shop');
    const type = async (testId: string, text: string) => {
      await page.getByTestId(testId).fill(text);
      await page.getByTestId(testId).press('Enter');
    };
    await type('label-nl-NL', 'Pakketpunt');
    await type('estimate-max', '5');
    await type('cut-off', '11:30');
    await choose(page, page.getByTestId('offered-when'), 'if Heavy goods');
    await setDate(page, page.getByRole('button', { name: /^Offered from/ }), '1 December 2026, 08:00');
    await saved(page);
    await expect
      .poll(async () => (await policy()).options['nlbe-parcel-shop'])
      .toMatchObject({
        label: { 'nl-NL': 'Pakketpunt' },
        estimate: { max: 5, cutOff: '11:30' },
        when: { of: 'all', conditions: { named: { qualifier: 'heavy-goods' } } },
        schedule: { readIn: 'store', from: '2026-12-01T08:00' },
      });
    await type('estimate-max', '1');
    expect(await page.getByRole('alert').innerText()).toContain('must not be less than min');
  });
  test('when one is offered is built by keyboard alone, and the bench follows', async () => {
    const page = await open('/delivery?market=nlbe&option=nlbe-parcel-shop');
    const when = async () => (await policy()).options['nlbe-parcel-shop']!.when;
    await choose(page, page.getByTestId('offered-when'), 'on conditions of its own');
    await page.getByTestId('add-condition').press('Enter');
    await search(page, 'guest');
    // The way to the next one has the focus.
    await page.keyboard.press('Enter');
    await search(page, 'weight');
    await page.getByTestId('compared-value').fill('300');
    await page.keyboard.press('Enter');
    await expect.poll(when).toEqual({
      of: 'all',
      conditions: {
        signedin: { order: 1, kind: 'yesNo', fact: 'shopper.signedIn', is: true },
        weight: { order: 2, kind: 'number', fact: 'cart.weight', operator: 'atLeast', value: 300 },
      },
    });
    expect(await priceOnBench(page, 'beach-day')).not.toMatch(/Parcel shop\s+€/);
    await page.getByTestId('of-1').selectOption('any');
    await expect.poll(() => priceOnBench(page, 'beach-day')).toMatch(/Parcel shop\s+€/);
    expect(await textOf(page, '[data-testid=row-nlbe-parcel-shop]')).toContain(
      'the shopper is signed in or the weight is at least 300 g',
    );
    await page.getByRole('button', { name: 'Move condition 1 down' }).press('Enter');
    await page.getByRole('button', { name: 'group it: condition 2' }).press('Enter');
    await page.getByTestId('condition-signedin').getByTestId('add-condition').press('Enter');
    await search(page, 'is in a group');
    await search(page, 'schools');
    await expect.poll(when).toMatchObject({
      of: 'any',
      conditions: {
        weight: { order: 1 },
        signedin: {
          order: 2,
          kind: 'group',
          of: 'all',
          conditions: { signedin: { order: 1, is: true }, group: { order: 2, operator: 'is', values: ['schools'] } },
        },
      },
    });
    const opened = page.locator('[popover]:popover-open');
    await page.getByTestId('add-condition').last().press('Enter');
    await opened.getByRole('combobox').waitFor();
    await page.keyboard.press('Escape');
    await expect.poll(() => opened.count()).toBe(0);
    await page.getByRole('button', { name: 'dissolve the group' }).press('Enter');
    await page.getByRole('button', { name: 'Remove condition 1' }).press('Enter');
    await expect.poll(async () => Object.keys((await when())!.conditions)).toEqual(['signedin', 'group']);
  });
  test('a line of a charge has conditions of its own, with goods, days and words chosen', async () => {
    const page = await open('/delivery?market=nlbe&option=nlbe-parcel-shop');
    const when = async () => (await linesOf('nlbe-parcel-shop'))[0]!.when;
    await page.getByTestId('charge-kind').selectOption('own');
    await choose(page, page.getByTestId('line-when-1'), 'on conditions of its own');
    const line = page.getByTestId('charge-editor');
    const add = async (...texts: string[]) => {
      await line.getByTestId('add-condition').press('Enter');
      for (const text of texts) await search(page, text);
    };
    await add('contains', 'long');
    await add('weekend');
    await line.getByRole('button', { name: 'Sun' }).press('Enter');
    await add('country', 'Belg');
    await add('goods value');
    await line.getByLabel('Amount in').fill('75');
    await page.keyboard.press('Enter');
    await line.getByTestId('add-condition').press('Enter');
    await search(page, 'postcode');
    await page.locator('[popover]:popover-open').getByLabel('Postcode', { exact: true }).fill('17*');
    await page.keyboard.press('Enter');
    await expect
      .poll(async () => Object.values((await when())?.conditions ?? {}))
      .toMatchObject([
        { kind: 'contents', operator: 'contains', goods: { tags: ['long'] } },
        { kind: 'weekday', days: [6] },
        { kind: 'word', fact: 'destination.country', values: ['BE'] },
        { kind: 'money', operator: 'atLeast', amounts: { nlbe: { exact: 7500 } } },
        { kind: 'postcode', patterns: ['17*'] },
      ]);
  });
  test('a starter set fills an empty zone and is undone; an empty store says where to begin', async () => {
    const page = await open('/delivery?zone=jp-all');
    await page.getByTestId('starter-byWeight').click();
    await expect
      .poll(async () => Object.values((await policy()).options).filter(({ zone }) => zone === 'jp-all').length)
      .toBe(2);
    await page.keyboard.press('Control+z');
    await expect
      .poll(async () => Object.values((await policy()).options).filter(({ zone }) => zone === 'jp-all').length)
      .toBe(1);
    await emptyDraft(here.blankAddress);
    const empty = await open('/delivery', { address: here.blankAddress });
    await empty.getByRole('main').getByRole('link', { name: 'Markets' }).click();
    await empty.waitForURL('**/markets');
  });
  test('all of a zone are copied to zones of other currencies after a look, and undone at once', async () => {
    const page = await open('/delivery?market=nlbe');
    await page.getByTestId('copy-what').selectOption('all');
    await page.getByTestId('copy-to').selectOption('uk-all');
    expect(await textOf(page, '[data-testid=copy-preview]')).toMatch(
      /Parcel to the door €3\.95 becomes £3\.50, €5\.95 becomes £5\.00, €6\.95 becomes £6\.00/,
    );
    await page.getByTestId('copy-to').selectOption('jp-all');
    expect(await textOf(page, '[data-testid=copy-preview]')).toMatch(
      /To .*€3\.95 becomes £3\.50.*To .*€3\.95 becomes (JP)?¥\d+/s,
    );
    const before = Object.keys((await policy()).options).length;
    await page.getByTestId('copy-now').click();
    await expect.poll(async () => Object.keys((await policy()).options).length).toBe(before + 6);
    await page.keyboard.press('Control+z');
    await expect.poll(async () => Object.keys((await policy()).options).length).toBe(before);
  });
});

test('a carrier is asked: what is sent and answered, the margin, and the fallback when it fails', async () => {
  const page = await open('/delivery?zone=deat-all&option=deat-express');
  const mode = async (wanted: string) => {
    await page.getByTestId('carrier-mode').selectOption(wanted);
    await expect.poll(() => page.getByTestId('carrier-mode').inputValue()).toBe(wanted);
  };
  const reply = () => textOf(page, '[data-testid=carrier-reply]');
  await mode('works');
  await page.getByTestId('ask-gale-express').click();
  // From the Netherlands to Germany, 1.6 kg chargeable: 9.90 + 1.60, doubled, is 23.00; with 10 % and 0.50 it is 25.80.
  await expect.poll(reply).toContain('€23.00, with margin €25.80');
  expect(await reply()).toContain('"weightGrams":1500');
  await mode('wrong');
  await page.getByTestId('ask-gale-express').click();
  await expect.poll(reply).toContain('no quote (what it answered is no quote): the fallback, €14.90');
  await mode('works');
});

test('zones are compared: what is the same everywhere, what differs and in what', async () => {
  const page = await open('/delivery?market=deat');
  await page.getByTestId('compare-zones').click();
  const text = await textOf(page, '[data-testid=comparison]');
  expect(text).toContain('Parcel shop');
  expect(text).toContain('not offered');
  await page
    .getByTestId('comparison')
    .getByRole('button', { name: /the highest of what applies/ })
    .click();
  await page.waitForURL('**/delivery?market=deat&zone=deat-austria&option=deat-austria-door');
});

test('a rate sheet is looked at before it is taken over, and undone at once', async () => {
  const page = await open('/delivery?market=nlbe');
  await page.getByTestId('rate-sheet-file').setInputFiles({
    name: 'rates.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'option,measure,from,price,currency\nnlbe-parcel-shop,,,4.75,EUR\nnlbe-door,goodsValue,x,1.00,EUR\n',
    ),
  });
  expect(await textOf(page, '[data-testid=rate-sheet-diff]')).toMatch(
    /Parcel shop, All of the Netherlands and Belgium: €4\.50 becomes €4\.75\s+line 3, from: must be an amount/,
  );
  await page.getByTestId('rate-sheet-diff').getByTestId('take-plan').click();
  await expect.poll(async () => (await linesOf('nlbe-parcel-shop'))[0]!.price).toEqual({ fixed: { exact: 475 } });
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await linesOf('nlbe-parcel-shop'))[0]!.price).toEqual({ fixed: { exact: 450 } });
});

test('a pick-up place: added, its hours typed, chosen by an option, and told to the shop', async () => {
  const page = await open('/delivery?zone=nlbe-round&option=nlbe-round-pick-up');
  await page.getByTestId('hours-shop-1').fill('9:00-12:00, 13:00-17:00');
  await page.getByTestId('hours-shop-1').press('Enter');
  await expect
    .poll(async () => (await policy()).places!.shop!.hours!['1'])
    .toEqual([
      { from: '09:00', to: '12:00' },
      { from: '13:00', to: '17:00' },
    ]);
  await page.getByTestId('hours-shop-1').fill('12:00-11:00');
  await page.getByTestId('hours-shop-1').press('Enter');
  expect(await page.getByRole('alert').innerText()).toContain('must be later than from');
  await page.getByTestId('add-place').click();
  await page.getByTestId('place-phrase').selectOption({ label: 'Place 3' });
  await expect.poll(async () => (await policy()).options['nlbe-round-pick-up']!.place).toBe('place');
});

test('a calendar: a day without delivery, and another working day', async () => {
  const page = await open('/delivery?market=nlbe');
  const calendar = page.getByTestId('calendar-shop');
  await setDate(page, calendar.getByRole('button', { name: /^Day without delivery in The shop/ }), '17/5/2027');
  await calendar.getByLabel('Why there is none that day in The shop').fill('Stock-taking again');
  await calendar.getByRole('button', { name: 'Add the day' }).click();
  await expect.poll(async () => (await policy()).calendars!.shop!.holidays['2027-05-17']).toBe('Stock-taking again');
  await calendar.getByRole('checkbox', { name: 'Sat' }).click();
  await expect.poll(async () => (await policy()).calendars!.shop!.workingDays).toEqual([1, 2, 3, 4, 5, 6]);
});

test('two people: different options are both kept; the same field asks the second and shows both', async () => {
  const page = await open('/delivery?market=nlbe&option=nlbe-door', { allow: /412/ });
  const other = await another(page, '/delivery?market=nlbe&option=nlbe-parcel-shop');
  for (const one of [page, other]) await one.evaluate(() => (window.BroadcastChannel.prototype.postMessage = () => {}));
  const type = async (at: Page, text: string) => {
    await at.getByTestId('price-1').fill(text);
    await at.getByTestId('price-1').press('Enter');
  };
  await Promise.all([type(page, '7.10'), type(other, '4.60')]);
  await expect
    .poll(async () => [(await linesOf('nlbe-door'))[0]!.price, (await linesOf('nlbe-parcel-shop'))[0]!.price])
    .toEqual([{ fixed: { exact: 710 } }, { fixed: { exact: 460 } }]);
  const third = await another(page, '/delivery?market=nlbe&option=nlbe-door');
  await type(page, '7.30');
  await saved(page);
  await type(third, '7.50');
  await third.getByText('Someone else changed the same thing meanwhile.').waitFor();
  expect(await third.getByRole('alert').innerText()).toMatch(/€7\.30.*€7\.50/s);
  await third.getByRole('button', { name: 'Keep mine' }).click();
  await expect.poll(async () => (await linesOf('nlbe-door'))[0]!.price).toEqual({ fixed: { exact: 750 } });
});

describe('products with a delivery of their own', () => {
  test('a price typed changes what the bench reads at once, holds for whoever asks, and is taken back', async () => {
    const page = await open('/delivery?market=nlbe');
    const before = await priceOnBench(page, 'beach-day');
    await choose(page, page.getByRole('button', { name: 'Look at a product' }), 'Tidewing 1.6');
    await page.getByTestId('own-price-tidewing-16').fill('19.99');
    await page.keyboard.press('Enter');
    await expect.poll(() => textOf(page, '[data-testid=product-said]')).toContain('for shoppers at once');
    // Its own, and the line's and winder's by the option.
    expect(await priceOnBench(page, 'beach-day')).toContain('€26.94');
    const other = await open('/delivery?market=nlbe', { allow: /409/ });
    expect(await other.getByTestId('own-price-tidewing-16').inputValue()).toBe('19.99');
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect.poll(() => textOf(page, '[data-testid=product-said]')).toContain('is as it was');
    expect(await priceOnBench(page, 'beach-day')).toBe(before);
    // The other page still shows what is gone: its change is refused, and it shows what holds.
    await other.getByTestId('own-price-tidewing-16').fill('5');
    await other.keyboard.press('Enter');
    await expect.poll(() => textOf(other, '[data-testid=product-said]')).toContain('changed meanwhile');
    expect(await other.getByTestId('own-price-tidewing-16').inputValue()).toBe('');
  });
  test('flags are set by keyboard', async () => {
    const page = await open('/delivery?market=nlbe');
    const flag = page
      .getByLabel('Gift card € 25 needs delivery')
      .or(page.getByLabel(/^Gift card.* needs delivery$/))
      .first();
    const before = await flag.isChecked();
    await flag.focus();
    await page.keyboard.press('Space');
    await expect.poll(() => flag.isChecked()).toBe(!before);
    await expect.poll(() => textOf(page, '[data-testid=product-said]')).toContain('for shoppers at once');
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect.poll(() => flag.isChecked()).toBe(before);
  });
});
