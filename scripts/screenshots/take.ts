import { chromium, type Page } from 'playwright-core';
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
  await page.getByTestId('goal-field').fill('60.00');
  await page.getByTestId('goal-field').press('Enter');
  await page.getByTestId('draft-phrase').getByText('draft saved').waitFor();
}

const pictures: Picture[] = [
  { name: 'offers', path: '/offers', before: lowerGoal },
  { name: 'offers-night', path: '/offers?market=uk', scheme: 'dark' },
  { name: 'rehearse', path: '/rehearse?cart=gift-and-spares', before: (page) => page.getByTestId('checkout-uk-tracked').getByRole('button').click() },
  { name: 'release', path: '/release' },
];

const database = await startTestDatabase('screenshots');
const application = await startApplication({ DATABASE_URL: await freshDatabase(database.url, 'summant_screenshots') });
const browser = await chromium.launch({ executablePath: programFromDebian('chromium', ['chromium', 'fonts-liberation']), args: chromiumArguments });
for (const { name, path, scheme, before } of pictures) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme: scheme ?? 'light', locale: 'en-GB' });
  await page.goto(application.address + path);
  await page.waitForFunction(() => document.documentElement.dataset.live === 'true');
  await page.waitForLoadState('networkidle');
  await before?.(page);
  await page.mouse.move(640, 795);
  await page.screenshot({ path: `${root}/docs/screenshots/${name}.png` });
  await page.close();
  console.log(`docs/screenshots/${name}.png`);
}
await browser.close();
await application.stop();
await database.stop();
