import { beforeAll, describe, expect, test } from 'vitest';
import { violations } from '../support/accessibility.ts';
import { resetDraft, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
beforeAll(() => resetDraft());

describe('accessibility of what views show when asked for', () => {
  test.each([
    '/wording?view=languages&beside=ar-DE',
    '/wording?view=look',
    '/wording?view=leads',
    '/wording?offer=two-steps&language=ar-DE&place=cart',
    '/rehearse?laid=both&width=desktop&tool=line-up',
    '/rehearse?cart=two-steps-arabic&tool=charged',
    '/rehearse?tool=sweep',
    '/rehearse?tool=gap',
    '/rehearse?tool=expected',
  ])('%s', async (path) => {
    expect(await violations(await open(path))).toEqual([]);
  });
});

describe('accessibility of the empty store', () => {
  test.each(['/offers', '/wording', '/rehearse', '/release'])('%s', async (path) => {
    expect(await violations(await open(path, { address: here.emptyAddress }))).toEqual([]);
  });
});
