import { parse } from 'csv-parse/sync';
import type { Page } from 'playwright-core';
import { beforeEach, describe, expect, test } from 'vitest';
import { goalOf, patchDraft, readDraft } from '../support/api.ts';
import { resetDraft, saved, textOf, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
const address = here.address;
beforeEach(() => resetDraft());

async function openMoves(query = ''): Promise<Page> {
  const page = await open(`/orders${query}`);
  await page.getByTestId('move-curve').waitFor();
  return page;
}

async function savedFile(page: Page, name: string): Promise<Record<string, string>[]> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name, exact: true }).click(),
  ]);
  const chunks: Buffer[] = [];
  for await (const chunk of await download.createReadStream()) chunks.push(chunk as Buffer);
  const text = Buffer.concat(chunks).toString('utf8').replace('\ufeff', '');
  return parse(text, { columns: true }) as Record<string, string>[];
}

const net = (page: Page) => textOf(page, '[data-testid=trial-net]');
/** Without its band, which chance makes wider or narrower some moments later. */
const amount = async (page: Page) => /Net (\S+)/.exec(await net(page))?.[1];
const savedGoal = async () => goalOf((await readDraft(address)).policy, 'nlbe');

describe('a goal in force', () => {
  test('is moved: net against now, break-even in words, dropped too; it is put there in one edit and undone', async () => {
    const page = await openMoves('?goals=8500');
    expect(await textOf(page, '[data-testid=ask]')).toContain('the goal of “Free delivery”, €75.00, moved');
    expect(await net(page)).toMatch(/^Net €\S+ a month against €75\.00, likely between/);
    expect(await textOf(page, '[data-testid=break-even]')).toMatch(
      /^Raising it to €85\.00 pays as long as fewer than [\d.]+% of the [\d.]+ orders a month between €75\.00 and €85\.00 stay away\.$/,
    );
    expect(await textOf(page, '[data-testid=dropped]')).toMatch(
      /^Without any goal -?€\S+ a month, between .+ Dropping it/,
    );
    expect(await textOf(page, '[data-testid=orders-read-out]')).toMatch(
      /a month lose free delivery · net .+ against now$/,
    );
    await page.getByTestId('put-there').click();
    await saved(page);
    expect(await savedGoal()).toBe(8500);
    await page.getByText('The draft has it there.').waitFor();
    // What is in force is the release’s still.
    expect(await net(page)).toContain('against €75.00');
    await page.keyboard.press('Control+z');
    await expect.poll(savedGoal).toBe(7500);
  });

  test('is tried by keys and by typing; where it is, nothing changes; a second goal is added above', async () => {
    const page = await openMoves('?goals=8000');
    const before = await net(page);
    await page.getByRole('slider', { name: 'Trial goal', exact: true }).focus();
    await page.keyboard.press('Shift+ArrowRight');
    await expect.poll(() => net(page)).not.toBe(before);
    await page.getByTestId('trial-0').fill('65');
    await page.getByTestId('trial-0').press('Enter');
    await expect.poll(() => textOf(page, '[data-testid=break-even]')).toMatch(/^Lowering it to €65\.00/);
    await page.getByTestId('trial-0').fill('75');
    await page.getByTestId('trial-0').press('Enter');
    await expect.poll(() => net(page)).toContain('That is where it is.');
    await page.getByTestId('second-goal').click();
    await expect.poll(() => net(page)).toMatch(/^Net -?€/);
    expect(await textOf(page, '[data-testid=assumptions]')).toContain('The second reward costs');
    await page.getByRole('button', { name: 'Take the second trial goal away' }).click();
    await expect.poll(() => net(page)).toContain('That is where it is.');
  });

  test('is reckoned with what is assumed: who stays away, who comes, what delivery costs the shop', async () => {
    const page = await openMoves('?market=uk&goals=8000');
    const before = await amount(page);
    await page.getByTestId('assume-lost-likely').fill('40');
    await page.getByTestId('assume-lost-likely').press('Enter');
    await expect.poll(() => amount(page)).not.toBe(before);
    await saved(page);
    // What is likely takes the end of its range along.
    await expect
      .poll(async () => (await readDraft(address)).policy.assumptions?.uk?.lost)
      .toEqual({ likely: '40', low: '0', high: '40' });
    const stated = await amount(page);
    await page.getByTestId('assume-own-uk-tracked').fill('12.50');
    await page.getByTestId('assume-own-uk-tracked').press('Enter');
    await expect.poll(() => amount(page)).not.toBe(stated);
    await expect
      .poll(async () => (await readDraft(address)).policy.assumptions?.uk?.ownCost)
      .toEqual({ 'uk-tracked': 1250 });
    await page.getByTestId('assume-own-uk-tracked').fill('');
    await page.getByTestId('assume-own-uk-tracked').press('Enter');
    await expect.poll(async () => (await readDraft(address)).policy.assumptions?.uk?.ownCost).toBeUndefined();
    await expect.poll(() => amount(page)).toBe(stated);
  });

  test('its curve is kept as CSV: nothing where it is, and a line for no goal', async () => {
    const page = await openMoves();
    const rows = await savedFile(page, 'Save the picture’s as moves CSV');
    expect(rows.find((row) => row['goal, EUR'] === '75.00')!['net, EUR']).toBe('0.00');
    expect(rows.at(-1)!['goal, EUR']).toBe('none');
    expect(rows.length).toBeGreaterThan(60);
    for (const row of rows)
      expect(Number(row['net, EUR'])).toBeCloseTo(
        Number(row['delivery, EUR']) + Number(row['margin, EUR']) + Number(row['own cost saved, EUR']),
        1,
      );
  });

  test('what one more goal would bring is asked instead; the address keeps the question', async () => {
    const page = await openMoves();
    await page.getByTestId('ask-phrase').selectOption('one-more');
    await page.getByTestId('net-curve').waitFor();
    expect(page.url()).toContain('ask=one-more');
    expect(await page.getByTestId('trial-goals').count()).toBe(1);
    await page.goBack();
    await page.getByTestId('move-curve').waitFor();
  });

  test('that counts pieces is moved by pieces', async () => {
    const { revision } = await readDraft(address);
    await patchDraft(address, revision, [
      { op: 'replace', path: '/offers/free-delivery/goals/first/measure', value: { kind: 'items' } },
      { op: 'replace', path: '/offers/free-delivery/goals/first/targets', value: { nlbe: { count: 3 } } },
    ]);
    const page = await open('/orders');
    await page.getByTestId('ask-phrase').waitFor();
    expect(await textOf(page, '[data-testid=ask]')).toContain('it is not in force');
    // Many had it free, by the goal of old: against no goal this is said, and the curve goes by pieces.
    await page.getByTestId('move-curve').waitFor();
    await page.getByTestId('trial-0').fill('4');
    await page.getByTestId('trial-0').press('Enter');
    await expect.poll(() => net(page)).toMatch(/A goal at 4 pieces|Net /);
    const rows = await savedFile(page, 'Save the picture’s as moves CSV');
    expect(rows[0]!['goal, pieces']).toBe('1');
  });
});

describe('best goals', () => {
  async function openBest(): Promise<Page> {
    const page = await open('/offers');
    await page.getByTestId('best-goals').scrollIntoViewIfNeeded();
    await expect.poll(() => page.getByTestId('best-amount').count()).toBeGreaterThan(4);
    await expect.poll(() => page.locator('[data-testid=best-goals] table').getAttribute('aria-busy')).toBe('false');
    return page;
  }

  test('stand in one table, with a round amount, its break-even and what closes the gap, or why there is none', async () => {
    const page = await openBest();
    expect(await textOf(page, '[data-testid=best-nlbe]')).toMatch(
      /€75\.00\s+€\d+\.00\s[\s\S]+Raising it to €\d+\.00 pays as long as fewer than/,
    );
    expect(await textOf(page, '[data-testid=best-nlbe]')).toMatch(
      /Who is within reach lacks €\S+ on average; [\s\S]+ \(€/,
    );
    expect(await textOf(page, '[data-testid=best-us]')).toContain('counts something that past orders do not say');
    expect(await textOf(page, '[data-testid=best-jp]')).toContain('Nobody has stated how many orders stay away');
    await page.getByTestId('best-jp').getByRole('link', { name: 'State it at Orders' }).click();
    await page.getByTestId('move-curve').waitFor();
    expect(await textOf(page, '[data-testid=ask]')).toContain('JP¥');
  });

  test('are taken over for one market, or for all that surely pay, each as one edit', async () => {
    const page = await openBest();
    const amount = (await textOf(page, '[data-testid=best-nlbe] [data-testid=best-amount]')).replace(/[^\d.]/g, '');
    await page.getByTestId('best-nlbe').getByTestId('take-best').click();
    await saved(page);
    expect(await savedGoal()).toBe(Number(amount) * 100);
    await page.keyboard.press('Control+z');
    await expect.poll(savedGoal).toBe(7500);
    await expect.poll(() => textOf(page, '[data-testid=take-all-best]')).toMatch(/Take over all \d that surely pay/);
    await page.getByTestId('take-all-best').click();
    await saved(page);
    await expect.poll(savedGoal).toBe(Number(amount) * 100);
    await page.keyboard.press('Control+z');
    await expect.poll(savedGoal).toBe(7500);
  });

  test('one is tried in an experiment, which begins with its amount', async () => {
    const page = await openBest();
    const amount = (await textOf(page, '[data-testid=best-nlbe] [data-testid=best-amount]')).replace(/[^\d.]/g, '');
    await page.getByTestId('best-nlbe').getByRole('link', { name: 'Try it on half of the shoppers' }).click();
    await page.getByTestId('experiments').waitFor();
    await expect
      .poll(() =>
        page
          .getByTestId('experiments')
          .locator('input')
          .evaluateAll((fields) => fields.map((field) => (field as HTMLInputElement).value)),
      )
      .toContain(amount);
  });
});
