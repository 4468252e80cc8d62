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
  /** of the demo shop */
  shop?: true;
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
    before: (page) => page.getByTestId('move-curve').waitFor(),
  },
  { name: 'import', path: '/orders?import=orders', before: chooseExport },
  { name: 'markets', path: '/markets?market=uk', before: (page) => page.getByTestId('where-postcode').fill('ZZ9 2AA') },
  {
    name: 'delivery',
    path: '/delivery?market=nlbe',
    before: async (page) => page.getByTestId('charge-picture').hover({ position: { x: 420, y: 90 } }),
  },
  { name: 'conditions', path: '/delivery?zone=nlbe-round&option=nlbe-round-van', before: openConditions },
  {
    name: 'wording',
    path: '/wording?offer=two-steps&place=cart',
    before: (page) => page.getByTestId('text-progress').getByRole('textbox').focus(),
  },
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
  {
    name: 'surfaces',
    path: '/release?surface=banner-da#surfaces',
    before: async (page) => {
      await page.getByTestId('effect-sentence').first().waitFor();
      await page.getByTestId('surface-banner-da').getByTestId('generated-text').waitFor();
      await page.getByTestId('surfaces').evaluate((surfaces) => surfaces.scrollIntoView({ block: 'start' }));
    },
  },
  {
    name: 'results',
    path: '/results?market=nlbe&since=2.free-delivery',
    before: (page) => page.getByTestId('results-verdict').waitFor(),
  },
  {
    name: 'experiments',
    path: '/results?experiment=lower-goal-uk#experiments',
    before: async (page) => {
      await page.getByTestId('experiment-verdict').waitFor();
      await page.getByTestId('experiments').evaluate((experiments) => experiments.scrollIntoView({ block: 'start' }));
    },
  },
  { name: 'connections', path: '/connections' },
  {
    name: 'shop',
    path: '/goods/night-heron',
    shop: true,
    before: async (page) => {
      await page.locator('main button.first').click();
      await page.locator('main summant-offer .bar').waitFor();
    },
  },
];

/** Orders as the shop reports them, of which it has charged some otherwise. */
async function reportOrders(address: string): Promise<void> {
  const post = async (path: string, body: object) => {
    const headers = { 'content-type': 'application/json' };
    return (await fetch(address + path, { method: 'POST', headers, body: JSON.stringify(body) })).json();
  };
  const places = [
    { country: 'NL', postcode: '1799 ZA' },
    { country: 'DK', postcode: '9990' },
    { country: 'GB', postcode: 'ZZ1 1ZZ' },
  ];
  const orders = [];
  for (let i = 0; i < 60; i++) {
    const product = ['tidewing-16', 'night-heron', 'reel-large'][i % 3];
    const cart = { lines: [{ product, quantity: 1 + (i % 3) }], destination: places[i % 3]! };
    const { options } = (await post('/api/quote', cart)) as { options: { id: string; priceAfter: number }[] };
    const [{ id, priceAfter }] = options as [{ id: string; priceAfter: number }];
    const beyond = [0, 0, 0, 0, 100, -100, 0, 0, 0][i % 9]!;
    orders.push({
      number: `GK-${10_400 + i}`,
      placedAt: new Date(Date.now() - i * 1000).toISOString(),
      cart,
      option: i % 17 === 8 ? 'deat-door' : id,
      delivery: Math.max(0, priceAfter + beyond),
      ...(i % 13 === 6 ? { offers: ['campaign'] } : {}),
    });
  }
  await post('/api/orders', { orders });
}

const database = await startTestDatabase('screenshots');
const DATABASE_URL = await freshDatabase(database.url, 'summant_screenshots');
const application = await startApplication({ DATABASE_URL, SUMMANT_SHOP_PORT: '0', SUMMANT_CALLS_EVERY: '1' });
const shopAddress = await application.shop();
await reportOrders(application.address);
const browser = await chromium.launch({
  executablePath: programFromDebian('chromium', ['chromium', 'fonts-liberation']),
  args: chromiumArguments,
});
const wanted = process.argv.slice(2);
for (const { name, path, scheme, shop, before } of pictures) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  const page = await browser.newPage({
    viewport: { width: 1280, height: 800 },
    colorScheme: scheme ?? 'light',
    locale: 'en-GB',
  });
  // Fonts that come late are left out of a first visit; a second one has them.
  await page.goto((shop ? shopAddress : application.address) + path);
  await page.evaluate(() => document.fonts.ready.then(() => document.fonts.status));
  if (!shop) {
    await page.reload();
    await page.waitForFunction(() => document.documentElement.dataset.live === 'true');
    await page.waitForLoadState('networkidle');
    // The check-up has said what it finds in the demo.
    await page.getByTestId('count-markets').waitFor();
  }
  await before?.(page);
  await page.mouse.move(640, 795);
  await page.screenshot({ path: `${root}/docs/screenshots/${name}.png` });
  await page.close();
  console.log(`docs/screenshots/${name}.png`);
}
await browser.close();
await application.stop();
await database.stop();
