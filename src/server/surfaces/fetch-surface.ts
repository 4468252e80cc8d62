import type { Surface } from '../../core/policy/types.ts';
import { fetchPage } from './fetch-page.ts';
import { listedHosts } from './listed-hosts.ts';
import { keepReading, noteProblem } from './reading-store.ts';

/** Fetches a surface and keeps what it says. @returns why nothing came of it; null: something did */
export async function fetchSurface(id: string, { address }: Pick<Surface, 'address'>): Promise<string | null> {
  if (address === undefined) return 'it has no address';
  const fetched = await fetchPage(address, await listedHosts());
  if (fetched.ok) await keepReading(id, { ...fetched, source: 'fetched' });
  else await noteProblem(id, fetched.problem);
  return fetched.ok ? null : fetched.problem;
}
