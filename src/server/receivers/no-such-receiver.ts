import type { Problem } from '../http/problem.ts';

export const noSuchReceiver: Problem = {
  status: 404,
  title: 'There is no such receiver',
  detail: 'Nothing was changed. It may have been removed meanwhile.',
};
