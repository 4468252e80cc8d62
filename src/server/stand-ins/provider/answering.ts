import { setTimeout as wait } from 'node:timers/promises';
import { ownAddress } from '../../http/guard.ts';
import { json, problemResponse } from '../../http/problem.ts';
import { standInMode } from '../stand-in-modes.ts';
import type { Wrong } from './tokens.ts';

/** Longer than anybody waits. ms */
const slow = 13_000;

export const standInIssuer = (): string => new URL('/stand-ins/provider', ownAddress()).href;

/** What Summant asks the stand-in provider, which can be slow, say what is wrong, or be down. */
export async function byStandInProvider(work: (wrong: Wrong | null) => unknown): Promise<Response> {
  const mode = await standInMode('provider');
  if (mode === 'down')
    return problemResponse({
      status: 503,
      title: 'The simulated provider is down',
      detail: 'It was made to be at People.',
    });
  if (mode === 'slow') await wait(slow);
  const answer = await work(mode === 'works' || mode === 'slow' ? null : mode);
  const refused = typeof answer === 'object' && answer !== null && 'error' in answer;
  return json(answer, { status: refused ? 400 : 200 });
}
