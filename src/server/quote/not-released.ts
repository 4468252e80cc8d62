import type { Problem } from '../http/problem.ts';

/** What the shop is answered before the first release. */
export const notReleased: Problem = {
  status: 409,
  title: 'Nothing has been released yet',
  detail: 'The shop reads releases only. Release the draft first.',
};
