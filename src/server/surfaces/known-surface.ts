import type { Surface } from '../../core/policy/types.ts';
import { ProblemError } from '../http/problem.ts';
import { standingNow, surfaceOf, type Standing } from './standing.ts';

/** A surface of the draft with what it is compared with. @throws ProblemError 404 */
export async function knownSurface(id: string): Promise<{ surface: Surface; now: Standing }> {
  const now = await standingNow();
  const surface = surfaceOf(now.draft, id);
  if (surface) return { surface, now };
  throw new ProblemError({
    status: 404,
    title: 'There is no such surface',
    detail: 'The draft has none of that name. It may have been taken out meanwhile; nothing was changed.',
  });
}
