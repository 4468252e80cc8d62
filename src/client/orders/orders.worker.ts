import { expose } from 'comlink';
import type { ExpectedResults } from '../../core/results/asked/asking.ts';
import type { ExpectedAnswer } from './expected-answers.ts';
import { HeldOrders } from './held-orders.ts';

const orders = new HeldOrders();
addEventListener('message', ({ data }: MessageEvent<{ expected?: ExpectedResults }>) => {
  if (data.expected) orders.expectResults(data.expected, (answer: ExpectedAnswer) => postMessage(answer));
});
expose(orders);
