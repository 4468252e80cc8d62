import { beforeAll } from 'vitest';
import { resetDraft, useBrowser } from '../support/browser.ts';
import { describeAccessibility } from '../support/describe-accessibility.ts';

const { open } = useBrowser();
beforeAll(() => resetDraft());
describeAccessibility('light', open, [
  '/wording?view=leads',
  '/rehearse?tool=sweep',
  '/rehearse?tool=gap',
  '/rehearse?tool=expected',
]);
