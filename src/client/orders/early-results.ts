import type { ExpectedAnswer } from './expected-answers.ts';

// Runs as soon as the page has been read, while the scripts of its view are still on their way, and so loads none of them:
// the worker starts and looks through the orders that the view will ask for. The view finds both on the window.
const expected = document.querySelector<HTMLElement>('[data-results-expected]')?.dataset.resultsExpected;
if (expected) {
  const worker = new Worker(new URL('./orders.worker.ts', import.meta.url), { type: 'module' });
  const answers: NonNullable<Window['summantExpected']> = new Map();
  worker.addEventListener('message', ({ data }: MessageEvent<Partial<ExpectedAnswer>>) => {
    if (data.expected) answers.set(data.expected, data.answer);
  });
  // The view tries with another then, and tells what goes wrong with that.
  worker.addEventListener('error', () => (window.summantOrdersWorker = undefined));
  worker.postMessage({ expected: JSON.parse(expected) as unknown });
  window.summantOrdersWorker = worker;
  window.summantExpected = answers;
}
