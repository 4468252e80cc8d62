import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import { median, type Bar } from './bar.ts';
import { editTimes, livePage, visiting } from './in-browser.ts';

const texts = Array.from(
  { length: 14 },
  (_, run) => `Nog ${'maar '.repeat(run % 5)}{remaining} tot gratis bezorging${'!'.repeat(1 + (run % 3))}`,
);
const quantities = Array.from({ length: 14 }, (_, run) => String(3 + run));

/** A key in a text, and a quantity in a cart beside a line-up of eight, until everything that follows is repainted. */
export async function bars(): Promise<Bar[]> {
  return visiting('summant_bench_rehearse', demoPolicy, async (visitor, address) => {
    const wording = await livePage(visitor, `${address}/wording?offer=free-delivery&market=nlbe`);
    await wording
      .getByTestId('text-progress')
      .getByRole('textbox')
      .evaluate((field) => (field.dataset.testid = 'measured-text'));
    const text = await editTimes(wording, 'measured-text', texts);
    await wording.close();
    const rehearse = await livePage(
      visitor,
      `${address}/rehearse?cart=beach-day&laid=both&tool=line-up&along=destinations`,
    );
    for (let column = 5; column < 8; column++) {
      await rehearse.getByTestId('line-up-add').click();
      const list = rehearse.locator('[popover]:popover-open');
      await list.locator('[cmdk-item]').nth(1).click();
      await list.waitFor({ state: 'detached' });
    }
    if ((await rehearse.getByTestId('line-up-table').locator('thead th').count()) !== 9)
      throw new Error('the line-up has not eight columns');
    await rehearse
      .getByRole('textbox', { name: 'Quantity of Line winder' })
      .evaluate((field) => (field.dataset.testid = 'measured-quantity'));
    const quantity = await editTimes(rehearse, 'measured-quantity', quantities);
    const repainted = (name: string, times: readonly number[]): Bar => ({
      name,
      measured: `${median(times).toFixed(0)} ms, slowest ${Math.max(...times).toFixed(0)} ms`,
      required: 'median < 50 ms',
      held: median(times) < 50,
    });
    return [
      repainted(
        'a text typed until storyboard, samples and bench are repainted',
        text.map((times) => times.repainted),
      ),
      repainted(
        'a quantity typed until two shops, line-up and bench are',
        quantity.map((times) => times.repainted),
      ),
    ];
  });
}
