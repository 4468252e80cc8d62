import { beforeEach, describe, expect, test } from 'vitest';
import type { Page } from 'playwright-core';
import { inOrder } from '../../src/core/ordered.ts';
import { readDraft } from '../support/api.ts';
import {
  choose,
  dragOnto,
  emptyDraft,
  leadOf,
  resetDraft,
  search,
  setDate,
  textOf,
  useBrowser,
} from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
const address = here.address;
beforeEach(() => resetDraft());
const policy = async () => (await readDraft(address)).policy;
const offer = async (id: string) => (await policy()).offers[id]!;
const type = async (page: Page, testId: string, text: string) => {
  await page.getByTestId(testId).fill(text);
  await page.getByTestId(testId).press('Enter');
};

describe('an offer as a paragraph', () => {
  test('is chosen in the grid; name, dates, markets, limits and who it is for are set in it', async () => {
    const page = await open('/offers?market=deat');
    await page.getByTestId('choose-members-sooner').click();
    expect(page.url()).toContain('offer=members-sooner');
    await type(page, 'offer-name', 'Club sooner');
    await setDate(page, page.getByTestId('schedule-from'), '1/12/2026 08:00');
    expect(await textOf(page, '[data-testid=offer-calendar]')).toContain('At the same time as');
    await page.getByTestId('offer-markets').selectOption('nlbe');
    await type(page, 'limit-perShopper', '3');
    await choose(page, page.getByTestId('offer-when'), 'if First order');
    await page.getByTestId('combines').selectOption('true');
    await expect
      .poll(() => offer('members-sooner'))
      .toMatchObject({
        name: 'Club sooner',
        schedule: { readIn: 'store', from: '2026-12-01T08:00' },
        markets: { nlbe: true },
        limits: { perShopper: 3 },
        when: { conditions: { named: { qualifier: 'first-order' } } },
        combines: true,
      });
  });
  test('what shoppers get is chosen and limited; the bench follows', async () => {
    const page = await open('/offers?market=nlbe&offer=free-delivery');
    await type(page, 'goal-field', '50');
    await page.getByTestId('reward-delivery').selectOption('deliveryLessPercent');
    await type(page, 'percent-delivery', '25');
    await expect
      .poll(() =>
        textOf(page, '[data-testid=bench-beach-day] [data-testid=option-nlbe-door] [data-testid=price-after]'),
      )
      .toBe('€4.46');
    await page.getByTestId('reward-delivery').selectOption('deliveryAt');
    await type(page, 'price-delivery', '1.50');
    await expect
      .poll(() =>
        textOf(page, '[data-testid=bench-beach-day] [data-testid=option-nlbe-door] [data-testid=price-after]'),
      )
      .toBe('€1.50');
    await page.getByRole('button', { name: 'skip options dearer than …' }).click();
    await type(page, 'cap-delivery', '5');
    await expect
      .poll(async () => (await offer('free-delivery')).goals.first!.rewards.delivery)
      .toMatchObject({ kind: 'deliveryAt', price: { nlbe: { exact: 150 } }, cap: { nlbe: { exact: 500 } } });
  });
  test('an amount that would pass the next goal is refused where it is typed; what goals give is moved, amounts stay', async () => {
    const page = await open('/offers?market=deat&offer=two-steps');
    await type(page, 'goal-field-2', '150');
    await expect
      .poll(() => page.getByRole('alert').first().innerText())
      .toContain('must be more than the goal before it');
    const goals = async () =>
      inOrder((await offer('two-steps')).goals).map(([, { targets, rewards }]) => [
        (targets.deat as { exact: number }).exact,
        Object.values(rewards)[0]!.kind,
      ]);
    expect(await goals()).toEqual([
      [5900, 'deliveryFree'],
      [7900, 'deliveryAt'],
      [13_900, 'deliveryFree'],
    ]);
    await dragOnto(page, page.getByTestId('drag-door'), page.getByTestId('goal-shop'));
    await expect.poll(goals).toEqual([
      [5900, 'deliveryAt'],
      [7900, 'deliveryFree'],
      [13_900, 'deliveryFree'],
    ]);
    await page.getByTestId('add-goal').click();
    await expect.poll(async () => (await goals()).length).toBe(4);
    await page.getByTestId('measure-4').selectOption('items');
    await expect
      .poll(async () => inOrder((await offer('two-steps')).goals).at(-1)![1].targets)
      .toEqual({ deat: { count: 6 } });
  });
  test('codes: one typed, a batch that nobody can guess, saved as CSV', async () => {
    const page = await open('/offers?offer=campaign');
    await page.getByLabel('New code').fill('storm-1');
    await page.getByLabel('New code').press('Enter');
    await page.getByTestId('make-codes').click();
    await page.getByTestId('batch-count').fill('6000');
    await page.getByText('An offer has at most 5000 codes.').waitFor();
    await page.getByTestId('batch-count').fill('250');
    await page.getByTestId('batch-begin').fill('gust-');
    await page.getByTestId('batch-make').click();
    const codes = async () => Object.keys(((await offer('campaign')).unlock as { codes: object }).codes);
    await expect.poll(async () => (await codes()).length).toBe(253);
    expect((await codes()).filter((code) => /^GUST-[A-Z2-9]{8}$/.test(code))).toHaveLength(250);
    expect(await codes()).toContain('STORM-1');
    await page.getByTestId('all-codes').click();
    const table = page.getByTestId('code-table');
    await table.getByRole('searchbox').fill('storm');
    await expect.poll(() => table.locator('tbody tr').allInnerTexts()).toEqual([expect.stringContaining('STORM-1')]);
    await table.getByRole('button', { name: 'code STORM-1' }).click();
    await expect.poll(async () => (await codes()).length).toBe(252);
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await codes()).length).toBe(253);
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByTestId('codes').getByRole('button', { name: 'CSV' }).click(),
    ]);
    expect(download.suggestedFilename()).toBe('codes-campaign.csv');
  });
  test('is duplicated, off, and deleted with its texts', async () => {
    const page = await open('/offers?offer=free-delivery');
    await page.getByTestId('duplicate-offer').click();
    await expect.poll(() => page.getByTestId('offer-name').inputValue()).toBe('Free delivery, copy');
    await expect.poll(async () => (await policy()).offers['free-delivery-2']?.on).toBe(false);
    await page.getByTestId('remove-offer').click();
    await expect
      .poll(async () => [(await policy()).offers['free-delivery-2'], (await policy()).wording['free-delivery-2']])
      .toEqual([undefined, undefined]);
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await policy()).wording['free-delivery-2'] !== undefined).toBe(true);
  });
  test('is archived, off and out of the grid, taken out again, and tells its history', async () => {
    const page = await open('/offers?market=nlbe&offer=members-sooner');
    await page.getByTestId('archive-offer').click();
    await expect.poll(async () => offer('members-sooner')).toMatchObject({ on: false, archived: true });
    await page.getByTestId('choose-members-sooner').waitFor({ state: 'detached' });
    await page.getByTestId('archived-members-sooner').click();
    expect(await page.getByTestId('archive-offer').innerText()).toBe('Take out of the archive');
    await page.getByTestId('archive-offer').click();
    await page.getByTestId('choose-members-sooner').waitFor();
    expect(await offer('members-sooner')).toMatchObject({ on: false });
    expect(await page.getByTestId('archive').innerText()).toMatch(/^Archived\s+Last autumn$/);
    await page.getByTestId('open-history').click();
    const history = page.getByTestId('offer-history');
    await expect.poll(() => history.innerText()).toContain('Planned: in the draft and not released');
    await expect.poll(() => page.getByTestId('historic-edit').first().innerText()).toContain('archived');
    expect(await page.getByTestId('historic-edit').last().innerText()).toContain('the offer as it was loaded');
  });
  test('priority is set by dragging and by keys', async () => {
    const page = await open('/offers?market=nlbe&offer=free-delivery');
    const names = async () =>
      (await page.getByLabel('Offers by priority').getByRole('listitem').allInnerTexts()).map((text) =>
        text.replace(/[^A-Za-z ]/g, '').trim(),
      );
    expect((await names())[0]).toBe('Windy weekend');
    await dragOnto(page, page.getByTestId('drag-free-delivery'), page.getByTestId('priority-windy-weekend'));
    await expect.poll(async () => (await names())[0]).toBe('Free delivery');
    await page.getByTestId('priority-free-delivery').locator('span[tabindex]').press('Alt+ArrowRight');
    await expect.poll(async () => (await names()).slice(0, 2)).toEqual(['Windy weekend', 'Free delivery']);
  });
});

describe('made-up shoppers', () => {
  test('the spend line is drawn for one of them, in the zone that is chosen', async () => {
    const page = await open('/offers?market=nlbe&offer=members-sooner');
    const at = async () => textOf(page, '[data-testid=read-out]');
    expect(await at()).toMatch(/At the goal, €49\.00\s+Parcel to the door\s+€5\.95/);
    await page.getByTestId('shopper-phrase').selectOption('member');
    await expect.poll(at).toMatch(/At the goal, €49\.00\s+Parcel to the door\s+free/);
    await page.getByTestId('zone-phrase').selectOption('nlbe-islands');
    await expect.poll(at).not.toMatch(/Parcel to the door/);
    expect(page.url()).toContain('zone=nlbe-islands');
  });
  test('are edited, added, and taken over by a test cart', async () => {
    const page = await open('/offers');
    await page.getByTestId('shoppers').scrollIntoViewIfNeeded();
    await type(page, 'orders-newcomer', '2');
    await page.getByTestId('add-shopper').click();
    await expect
      .poll(async () => [
        (await policy()).shoppers!.newcomer!.shopper.orderCount,
        (await policy()).shoppers!.shopper?.name,
      ])
      .toEqual([2, 'Shopper 6']);
    expect(await textOf(page, '[data-testid=draft-phrase]')).toContain('no change since release');
    const rehearsal = await open('/rehearse?cart=beach-day');
    await rehearsal.getByTestId('buyer-phrase').selectOption('member');
    await expect.poll(async () => (await policy()).testCarts['beach-day']!.shopper?.groups).toEqual(['members']);
    await expect.poll(() => leadOf(rehearsal, 'beach-day')).not.toContain('13,20');
  });
  test('the goals of all markets stand on their orders', async () => {
    const page = await open('/offers?market=nlbe&offer=free-delivery');
    await page.getByTestId('shares-by-market').scrollIntoViewIfNeeded();
    await expect.poll(() => page.getByTestId('shares-by-market').textContent()).toMatch(/United Kingdom.*£70\.00/s);
  });
});

describe('starters', () => {
  test('fill an offer that is off, say what they did, and are undone at once', async () => {
    const page = await open('/offers?market=nlbe');
    const before = Object.keys((await policy()).offers).length;
    await page.getByTestId('starter-twoPeaks').click();
    await expect
      .poll(() => textOf(page, '[data-testid=starter-did]'))
      .toMatch(/Half of the delivery of parcels from €45\.00 .*£.*, all of it from €90\.00/);
    expect(await page.getByTestId('offer-name').inputValue()).toBe('Two goals for two peaks');
    await expect.poll(async () => Object.keys((await policy()).offers).length).toBe(before + 1);
    await page.keyboard.press('Control+z');
    await expect.poll(async () => Object.keys((await policy()).offers).length).toBe(before);
  });
  test('and one turned on is what the bench reads', async () => {
    const page = await open('/offers?market=uk');
    await page.getByTestId('starter-everyone').click();
    await page.getByLabel('One goal for everyone is on').click();
    await type(page, 'goal-field', '50');
    await expect.poll(() => leadOf(page, 'gift-and-spares')).toBe('Your delivery is free.');
  });
  test('an empty store can begin with one', async () => {
    await emptyDraft(here.blankAddress);
    const page = await open('/offers', { address: here.blankAddress });
    expect(await page.locator('body').innerText()).toContain('Markets');
  });
});

describe('the goal grid', () => {
  test('is walked through with arrows, and takes cells pasted from a spreadsheet', async () => {
    const page = await open('/offers?market=nlbe');
    await page.getByTestId('grid-free-delivery-nlbe').focus();
    await page.keyboard.press('ArrowRight');
    expect(await page.evaluate(() => (document.activeElement as HTMLElement).dataset.testid)).toBe(
      'grid-free-delivery-deat',
    );
    await page.keyboard.press('ArrowDown');
    expect(await page.evaluate(() => (document.activeElement as HTMLElement).dataset.testid)).toBe(
      'grid-two-steps-shop-deat',
    );
    const paste = (testId: string, text: string) =>
      page.getByTestId(testId).evaluate((field, data) => {
        const clipboardData = new DataTransfer();
        clipboardData.setData('text/plain', data);
        field.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
      }, text);
    await paste('grid-free-delivery-nlbe', '1,080.50\t\t65');
    await expect
      .poll(async () => (await offer('free-delivery')).goals.first!.targets)
      .toMatchObject({ nlbe: { exact: 108_050 }, uk: { exact: 6500 } });
    expect(await textOf(page, '[data-testid=grid-said]')).toContain('3 cells were pasted');
    await paste('grid-free-delivery-nlbe', '70\tdear');
    await expect
      .poll(() => textOf(page, '[data-testid=grid-said]'))
      .toContain('Nothing was pasted. Row 1, column 2, “dear”: is not a number');
    expect((await offer('free-delivery')).goals.first!.targets.nlbe).toEqual({ exact: 108_050 });
  });
  test('a row follows one amount, is rounded, or takes over one market’s; what stands out says so', async () => {
    const page = await open('/offers?market=nlbe&offer=free-delivery');
    const targets = async () => (await offer('free-delivery')).goals.first!.targets;
    await page.getByLabel('Amount to follow, EUR').fill('80');
    await page.getByTestId('follow-base').click();
    await expect.poll(targets).toMatchObject({ nlbe: { exact: 8000 }, uk: { following: { base: 8000, step: 500 } } });
    await type(page, 'grid-free-delivery-uk', '151.20');
    await page.getByTestId('grid-free-delivery-uk').hover();
    await expect.poll(() => textOf(page, '[data-testid=grid-remark]')).toMatch(/United Kingdom: .*more than elsewhere/);
    await page.getByTestId('round-all').click();
    await expect.poll(async () => (await targets()).uk).toEqual({ exact: 15_000 });
    await page.getByTestId('spread').click();
    await expect.poll(async () => (await targets()).uk).toMatchObject({ following: { base: 8000 } });
  });
  test('one market’s goal is copied to markets picked by hand, seen before, and filled into the next with Alt and right', async () => {
    const page = await open('/offers?market=nlbe&offer=free-delivery');
    const targets = async () => (await offer('free-delivery')).goals.first!.targets;
    const before = await targets();
    await page.getByTestId('copy-target').click();
    expect(await page.getByTestId('copy-target-uk').innerText()).toMatch(/United Kingdom £70\.00\s+becomes\s+£\d+\.00/);
    await page.getByTestId('copy-target-deat').click();
    await page.getByTestId('copy-target-ch').click();
    expect(await page.getByTestId('copy-target-now').innerText()).toBe('Copy it to 2 markets');
    await page.getByTestId('copy-target-now').click();
    await expect
      .poll(targets)
      .toMatchObject({ deat: { exact: 7500 }, ch: { following: { base: 7500, step: 500 } }, uk: before.uk! });
    const cell = page.getByTestId('grid-free-delivery-nlbe');
    await cell.focus();
    await cell.fill('82');
    await page.keyboard.press('Alt+ArrowRight');
    await page.keyboard.press('Alt+ArrowRight');
    await expect
      .poll(targets)
      .toMatchObject({ nlbe: { exact: 8200 }, deat: { exact: 8200 }, uk: { following: { base: 8200, step: 500 } } });
    expect(await page.evaluate(() => (document.activeElement as HTMLElement).dataset.testid)).toBe(
      'grid-free-delivery-uk',
    );
  });
});

describe('the effect before it goes live', () => {
  test('past orders are replayed: a sample first, then all, market by market; a change of the draft is said', async () => {
    const page = await open('/offers?market=uk&offer=free-delivery');
    await type(page, 'goal-field', '60');
    await page.getByTestId('replay').click();
    const row = page.getByTestId('effect-uk');
    await expect.poll(() => row.getAttribute('data-whole')).toBe('true');
    const [, , less, more] = await row.locator('th, td').allInnerTexts();
    expect([Number(less!.replace(/,/g, '')) > 100, more]).toEqual([true, '0']);
    expect(await row.innerText()).toMatch(/-£[\d,]+\.\d\d/);
    expect(await page.getByTestId('effect-nlbe').innerText()).toContain('€0.00');
    expect(await page.getByTestId('effect-known').innerText()).toMatch(
      /^([\d,]+) of \1 orders tell their postcode, \1 their weight\.$/,
    );
    expect(await page.getByTestId('effect').innerText()).toContain(
      'hold for none of them: the shopper: is signed in, the shopper: is in a group',
    );
    await type(page, 'goal-field', '65');
    await page.getByText('The draft has changed since').waitFor();
    await page.getByTestId('example-uk-0').click();
    await page.waitForURL('**/rehearse?cart=past-order*');
    await page.waitForFunction(() => document.documentElement.dataset.live === 'true');
    expect(await page.getByRole('heading', { level: 1 }).innerText()).toContain('United Kingdom');
    const cart = (await policy()).testCarts['past-order']!;
    expect([cart.name, Object.keys(cart.lines).length > 0, cart.destination.country]).toEqual([
      expect.stringMatching(/^Past order of £\d+\.\d\d$/),
      true,
      'GB',
    ]);
  });
});

describe('qualifiers', () => {
  test('are built, tried on test carts as they are typed, used, and cannot be deleted while something uses them', async () => {
    const page = await open('/offers?market=nlbe&offer=free-delivery');
    await page.getByTestId('add-qualifier').click();
    await type(page, 'qualifier-name', 'Heavy club');
    await choose(page, page.getByTestId('qualifiers').getByTestId('add-condition'), 'is in a group');
    await search(page, 'members');
    await expect
      .poll(() => textOf(page, '[data-testid=tried-on-carts]'))
      .toMatch(/^Holds for 3 of 62 test carts: Member, midweek/);
    expect(await textOf(page, '[data-testid=tried-on-shoppers]')).toBe('With nothing in the cart it holds for Member.');
    await expect
      .poll(() => textOf(page, '[data-testid=tried-on-orders]'))
      .toMatch(
        /^Would hold for 0% of last quarter’s [\d,]+ orders in Netherlands & Belgium\. Orders do not tell the shopper: is in a group/,
      );
    expect(await page.getByTestId('qualifier-condition').innerText()).toContain('nothing uses it');
    await page.getByTestId('open-qualifier-first-order').click();
    await expect
      .poll(() => textOf(page, '[data-testid=tried-on-orders]'))
      .toMatch(
        /^Would hold for \d+% of last quarter’s [\d,]+ orders in Netherlands & Belgium, mostly first orders \(100%, of all \d+%\)\.$/,
      );
    await choose(page, page.getByTestId('offer-when'), 'if Heavy club');
    await expect.poll(() => page.getByTestId('qualifier-condition').innerText()).toContain('used by Free delivery');
    // Beach day is a guest, for whom no offer is left that says anything.
    await expect.poll(() => textOf(page, '[data-testid=bench-beach-day]')).not.toMatch(/^Nog/m);
  });
});
