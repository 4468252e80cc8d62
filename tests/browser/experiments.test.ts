import { describe, expect, test } from 'vitest';
import { generateOrders } from '../../demo/generate-orders.ts';
import { finishedExperiment, runningExperiment } from '../../demo/order-truth.ts';
import { armName } from '../../src/core/experiments/arm-name.ts';
import { readDraft } from '../support/api.ts';
import { choose, emptyDraft, moveTo, resetDraft, saved, textOf, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
const verdict = '[data-testid=experiment-verdict]';
const plan = '[data-testid=plan-in-words]';

describe('an experiment that is over', () => {
  test('says what it found with an interval that holds at every look, and what was learnt', async () => {
    const page = await open('/results?experiment=lower-goal-uk#experiments');
    await page.getByTestId('experiment-verdict').waitFor();
    await expect
      .poll(() => textOf(page, verdict))
      .toMatch(
        /^Surely more\. An order with “from 50” is worth £1\d\.\d\d more than with “from 70 as it is”: surely between £\d\.\d\d and £1\d\.\d\d more\.$/,
      );
    expect(await textOf(page, '[data-testid=sample-ratio]')).toMatch(
      /^6,412 and 6,365 shoppers quoted: spread over the arms as they were to be\.$/,
    );
    expect(await textOf(page, '[data-testid=arm-figure-margin]')).toMatch(
      /£23\.\d\d\s+£25\.\d\d\s+\+£1\.\d\d \(-0\.\d\d to \+3\.\d\d\)/,
    );
    expect(await textOf(page, '[data-testid=experiment-outcome]')).toMatch(
      /^Nothing of it was kept\. What was learnt: Orders grew/,
    );
    await page.getByRole('img', { name: /evening by evening/ }).scrollIntoViewIfNeeded();
    await page.getByTestId('looks-chart').waitFor();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByTestId('experiment-found').getByRole('button', { name: /CSV/ }).click(),
    ]);
    expect(download.suggestedFilename()).toBe('experiment-lower-goal-uk.csv');
  });

  test('opens what a figure is made of', async () => {
    const page = await open('/results?experiment=lower-goal-uk#experiments');
    const row = page.getByTestId('arm-figure-orderValue');
    await row.waitFor();
    await row.getByRole('button', { name: 'Why: order value' }).click();
    await page
      .locator('[popover]:popover-open')
      .getByText(/confidence sequence: in 95 of a hundred/)
      .waitFor();
  });
});

test('one that goes on with too few orders says so, and how many are planned', async () => {
  const page = await open('/results?experiment=higher-goal-dk#experiments');
  await page.getByTestId('experiment-verdict').waitFor();
  await expect.poll(() => textOf(page, verdict)).toMatch(/^Not enough orders to tell\. Fewer than a hundred/);
  await expect.poll(() => textOf(page, '[data-testid=experiment-higher-goal-dk]')).toMatch(/from 599/);
});

describe('an order of an experiment', () => {
  const ofArm = (name: string) => generateOrders().find(({ arm }) => arm === name)!.orderNumber;

  test.each([
    ['that goes on', runningExperiment.experiment, 'higher', 'from 599'],
    ['that is over', finishedExperiment.experiment, 'lower', 'from 50'],
  ])('%s is brought to Rehearse in the arm that it was of', async (_, experiment, arm, called) => {
    await resetDraft();
    const page = await open('/rehearse?tool=charged');
    await page.getByTestId('past-order-number').fill(ofArm(armName(experiment, arm)));
    await page.getByTestId('bring-order').click();
    const chip = page.locator('main').getByTestId('arm-chips').getByRole('button', { name: called });
    await expect.poll(() => chip.getAttribute('aria-pressed')).toBe('true');
    expect(new URL(page.url()).searchParams.get('arm')).toBe(`${experiment}/${arm}`);
    await saved(page);
    await resetDraft();
  });
});

describe('an experiment is begun', () => {
  test('from a goal at Offers, planned at the store’s pace, rehearsed in each arm, kept as one edit and undone as one', async () => {
    await resetDraft();
    const page = await open('/offers?market=nlbe&offer=free-delivery');
    await page.getByRole('link', { name: 'try another version on some shoppers' }).first().click();
    await page.waitForURL('**/results?market=nlbe&begin=free-delivery/first#experiments');
    await page.getByTestId('planner').waitFor();
    expect(await page.getByTestId('plan-goal').inputValue()).toBe('free-delivery/first');
    await expect
      .poll(() => textOf(page, plan))
      .toMatch(/^6 weeks are too few\. To find a difference of €1\.70 80 of a/);
    await page.getByTestId('plan-effect').fill('9');
    await page.getByTestId('plan-effect').press('Enter');
    await expect
      .poll(() => textOf(page, plan))
      .toMatch(/^\d (weeks|days), until about .* In 6 weeks about \d+ come in, which find a difference of €\d\.\d\d/);
    await page.getByTestId('plan-share-2').fill('60');
    await page.getByTestId('plan-share-2').press('Enter');
    await expect.poll(() => textOf(page, plan)).toMatch(/The shares come to 110 %/);
    expect(await page.getByTestId('add-experiment').isDisabled()).toBe(true);
    await page.getByTestId('plan-share-2').fill('40');
    await page.getByTestId('plan-share-2').press('Enter');
    await page.getByTestId('plan-target-2').fill('60');
    await page.getByTestId('plan-target-2').press('Enter');
    await expect.poll(() => page.getByTestId('add-experiment').isDisabled()).toBe(false);
    await page.getByTestId('add-experiment').click();
    await page.getByTestId('end-or-keep').waitFor();
    await saved(page);
    const added = Object.entries((await readDraft(here.address)).policy.experiments!).find(
      ([, { market }]) => market === 'nlbe',
    )!;
    expect(added[0]).toMatch(/^free-delivery-in-netherlands/);
    expect(Object.values(added[1].arms)).toMatchObject([
      { name: 'from 75.00 as it is', share: 5000, version: { kind: 'asIs' } },
      { name: 'from 60.00', share: 4000, version: { kind: 'target', target: { exact: 6000 } } },
    ]);
    expect(added[1]).toMatchObject({ smallestEffect: 900, measure: 'margin', guard: true });
    expect(await textOf(page, `[data-testid=experiment-${added[0]}]`)).toMatch(/waits for a release/);
    await expect
      .poll(() => textOf(page, '[data-testid=not-begun]'))
      .toMatch(/^No shopper has seen it yet\. It begins on .*, once it is released; what each arm sees/);

    const card = page.getByTestId('bench-beach-day');
    const door = card.getByTestId('option-nlbe-door').getByTestId('price-after');
    expect(await door.innerText()).toBe('€5.95');
    await card.getByRole('button', { name: 'from 60.00' }).click();
    await expect.poll(() => door.innerText()).toBe('free');
    await card.getByRole('button', { name: 'from 75.00 as it is' }).click();
    await expect.poll(() => door.innerText()).toBe('€5.95');

    await page.getByTestId('kept-arm').selectOption({ label: '“from 60.00” for everybody' });
    await page.getByTestId('learnt').fill('Lower is better here.');
    await page.getByTestId('end-experiment').click();
    await page.getByTestId('experiment-outcome').waitFor();
    await expect
      .poll(() => textOf(page, '[data-testid=experiment-outcome]'))
      .toMatch(/“from 60\.00” was kept for everybody/);
    await expect.poll(() => door.innerText()).toBe('free');
    await saved(page);
    const kept = (await readDraft(here.address)).policy;
    expect(kept.offers['free-delivery']!.goals.first!.targets.nlbe).toEqual({ exact: 6000 });
    await page.getByRole('button', { name: /^Undo/ }).click();
    await expect.poll(() => door.innerText()).toBe('€5.95');
    await saved(page);
    const undone = (await readDraft(here.address)).policy;
    expect(undone.offers['free-delivery']!.goals.first!.targets.nlbe).toEqual({ exact: 7500 });
    expect(undone.experiments![added[0]]!.outcome).toBeUndefined();

    await moveTo(page, `${here.address}/rehearse?cart=beach-day`);
    const chips = page.locator('main').getByTestId('arm-chips');
    await chips.getByRole('button', { name: 'from 60.00' }).click();
    await expect.poll(() => new URL(page.url()).searchParams.get('arm')).toBe(`${added[0]}/arm-2`);
    await expect.poll(() => page.getByTestId('shopper-checkout').first().innerText()).toMatch(/gratis|free/i);
    await resetDraft();
  });

  test('with no such goal, with the rewards of another, and with more arms', async () => {
    await resetDraft();
    const page = await open('/results?market=uk&begin=free-delivery/first#experiments');
    await page.getByTestId('plan-kind-2').selectOption('none');
    await page.getByTestId('plan-add-arm').click();
    await page.getByTestId('plan-kind-3').selectOption('rewards');
    await choose(page, page.getByTestId('plan-rewards-3'), 'Two steps up, goal 2');
    for (const [arm, share] of ['40', '30', '30'].entries()) {
      await page.getByTestId(`plan-share-${arm + 1}`).fill(share);
      await page.getByTestId(`plan-share-${arm + 1}`).press('Enter');
    }
    await expect.poll(() => page.getByTestId('add-experiment').isDisabled()).toBe(false);
    await page.getByTestId('add-experiment').click();
    await page.getByTestId('end-or-keep').waitFor();
    await saved(page);
    const { policy } = await readDraft(here.address);
    const [, added] = Object.entries(policy.experiments!).find(([id]) => id.startsWith('free-delivery'))!;
    expect(Object.values(added.arms)).toMatchObject([
      { share: 4000, version: { kind: 'asIs' } },
      { share: 3000, version: { kind: 'none' } },
      { share: 3000, version: { kind: 'rewards', rewards: policy.offers['two-steps']!.goals.door!.rewards } },
    ]);

    await moveTo(page, `${here.address}/release`);
    await expect
      .poll(() => textOf(page, '[data-testid=effect-experiment]'), { timeout: 90_000 })
      .toMatch(
        /^The experiment “Free delivery in United Kingdom” in United Kingdom begins: from .*40% see “from 70\.00 as it is”, 30% see “no such goal”, and 30% see “rewards of Two steps up, goal 2”\.$/,
      );
    await resetDraft();
  });

  test('in a store made by hand, which says that nothing is known of its pace', async () => {
    await emptyDraft(here.blankAddress);
    const page = await open('/markets', { address: here.blankAddress });
    await page.getByTestId('find-country').fill('Norway');
    await page.getByTestId('make-market').click();
    await saved(page);
    await moveTo(page, `${here.blankAddress}/results#experiments`);
    await page.getByTestId('begin-experiment').click();
    await page.getByText(/No goal is in force in any market/).waitFor();
    // It may still be asking for the orders of its market, which is about to go.
    await page.close();
    await emptyDraft(here.blankAddress);
  });
});
