import { chromium, type Page } from 'playwright-core';
import { generateOrders } from '../../demo/generate-orders.ts';
import { orderExport } from '../../demo/order-export.ts';
import { chromiumArguments } from '../setup/chromium.mjs';
import { programFromDebian } from '../setup/debian.mjs';
import { freshDatabase, root, startApplication, startTestDatabase } from '../../tests/support/application.ts';

interface Picture {
  name: string;
  path: string;
  scheme?: 'dark';
  before?: (page: Page) => Promise<void>;
}

/** The goal a little lower than released, so that the bench shows what differs. */
async function lowerGoal(page: Page): Promise<void> {
  await page.getByTestId('grid-free-delivery-nlbe').fill('60.00');
  await page.getByTestId('grid-free-delivery-nlbe').press('Enter');
  await page.getByTestId('draft-phrase').getByText('draft saved').waitFor();
}

/** An export of the demo store's own orders, chosen and not yet checked. */
async function chooseExport(page: Page): Promise<void> {
  const orders = generateOrders().slice(0, 200);
  const text = [...orderExport(orders, { delimiter: ';', decimal: 'comma', dates: 'dmy', rows: 'lines' })].join('\r\n');
  await page
    .getByTestId('import-file')
    .setInputFiles({ name: 'orders.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await page.getByTestId('check-file').waitFor();
}

async function showDrift(page: Page): Promise<void> {
  await page.getByTestId('drift-table').waitFor();
  await page.getByTestId('drift-table').scrollIntoViewIfNeeded();
  await page.locator('[data-testid=rate-chart] svg').first().waitFor();
}

async function openConditions(page: Page): Promise<void> {
  await page.getByTestId('offered-when-edit').click();
  await page.getByTestId('add-condition').click();
  await page.locator('[popover]:popover-open [cmdk-item]').first().waitFor();
  await page.getByTestId('condition-editor').evaluate((editor) => editor.scrollIntoView({ block: 'center' }));
}

const pictures: Picture[] = [
  { name: 'offers', path: '/offers', before: lowerGoal },
  { name: 'offers-night', path: '/offers?market=uk', scheme: 'dark' },
  {
    name: 'offer',
    path: '/offers?market=deat&offer=two-steps',
    before: (page) => page.getByTestId('offer-paragraph').evaluate((paragraph) => paragraph.scrollIntoView()),
  },
  {
    name: 'orders',
    path: '/orders?goals=7000&group=4500,6000',
    before: (page) => page.getByTestId('net-curve').waitFor(),
  },
  { name: 'import', path: '/orders?import=orders', before: chooseExport },
  { name: 'markets', path: '/markets?market=uk', before: (page) => page.getByTestId('where-postcode').fill('ZZ9 2AA') },
  { name: 'drift', path: '/markets?market=jp', before: showDrift },
  {
    name: 'delivery',
    path: '/delivery?market=nlbe',
    before: async (page) => page.getByTestId('charge-picture').hover({ position: { x: 420, y: 90 } }),
  },
  {
    name: 'charge',
    path: '/delivery?zone=deat-all&option=deat-door',
    scheme: 'dark',
    before: (page) => page.getByTestId('charge-editor').scrollIntoViewIfNeeded(),
  },
  {
    name: 'packing',
    path: '/delivery?market=nlbe&zone=nlbe-islands&option=nlbe-islands-ferry',
    before: (page) => page.getByRole('region', { name: 'Packing' }).scrollIntoViewIfNeeded(),
  },
  { name: 'conditions', path: '/delivery?zone=nlbe-round&option=nlbe-round-van', before: openConditions },
  {
    name: 'wording',
    path: '/wording?offer=two-steps&place=cart',
    before: (page) => page.getByTestId('text-progress').getByRole('textbox').focus(),
  },
  { name: 'notice', path: '/wording?offer=order-today' },
  { name: 'outside', path: '/wording?view=outside&offer=free-delivery&language=en-GB' },
  { name: 'languages', path: '/wording?view=languages', scheme: 'dark' },
  {
    name: 'rehearse',
    path: '/rehearse?cart=gift-and-spares',
    before: (page) => page.getByTestId('checkout-uk-tracked').getByRole('button').click(),
  },
  {
    name: 'side-by-side',
    path: '/rehearse?cart=beach-day&laid=both',
    before: (page) => page.getByTestId('shop-draft').evaluate((shop) => shop.scrollIntoView({ block: 'start' })),
  },
  { name: 'release', path: '/release', before: (page) => page.getByTestId('effect-sentence').first().waitFor() },
  {
    name: 'guarantees',
    path: '/release',
    before: async (page) => {
      await page.getByTestId('effect-sentence').first().waitFor();
      await page.locator('[data-testid^=guarantee-row-][data-state=holds]').nth(2).waitFor();
      await page.locator('[data-part=release]').evaluate((part) => part.scrollIntoView({ block: 'start' }));
    },
  },
];

const database = await startTestDatabase('screenshots');
const application = await startApplication({ DATABASE_URL: await freshDatabase(database.url, 'summant_screenshots') });
const browser = await chromium.launch({
  executablePath: programFromDebian('chromium', ['chromium', 'fonts-liberation']),
  args: chromiumArguments,
});
for (const { name, path, scheme, before } of pictures) {
  const page = await browser.newPage({
    viewport: { width: 1280, height: 800 },
    colorScheme: scheme ?? 'light',
    locale: 'en-GB',
  });
  // Fonts that come late are left out of a first visit; a second one has them.
  await page.goto(application.address + path);
  await page.evaluate(() => document.fonts.ready.then(() => document.fonts.status));
  await page.reload();
  await page.waitForFunction(() => document.documentElement.dataset.live === 'true');
  await page.waitForLoadState('networkidle');
  // The check-up has said what it finds in the demo.
  await page.getByTestId('count-markets').waitFor();
  await before?.(page);
  await page.mouse.move(640, 795);
  await page.screenshot({ path: `${root}/docs/screenshots/${name}.png` });
  await page.close();
  console.log(`docs/screenshots/${name}.png`);
}
await browser.close();
await application.stop();
await database.stop();
