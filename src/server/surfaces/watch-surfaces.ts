import { isUnavailable } from '../database/unavailable.ts';
import { readDraft } from '../draft/draft-store.ts';
import { log } from '../log.ts';
import { latestRelease } from '../releases/release-store.ts';
import { fetchSurface } from './fetch-surface.ts';
import { claimFetch, triedSurfaces } from './reading-store.ts';

/** How often it is looked whether a surface is due, in seconds; 0: never, so that they are fetched by hand alone. */
const every = (): number => Number(process.env.SUMMANT_FETCH_EVERY ?? 30);
/** A surface with an address is fetched again after so long, and after each release. ms */
const due = 24 * 3_600_000;

let watch: ReturnType<typeof setInterval> | null = null;
let running = false;

/** Fetches surfaces that have an address, each once a day and after each release, from now on. */
export function watchSurfaces(): void {
  const seconds = every();
  if (seconds > 0) watch ??= setInterval(() => void fetchDue(), seconds * 1000).unref();
}

/** Fetches those that are due, one after another; of several processes each takes another. */
async function fetchDue(now = Date.now()): Promise<void> {
  if (running) return;
  running = true;
  try {
    const released = (await latestRelease())?.releasedAt;
    if (released === undefined) return;
    const since = Math.max(now - due, Date.parse(released));
    const { surfaces = {} } = (await readDraft()).policy;
    const tried = await triedSurfaces();
    for (const [id, surface] of Object.entries(surfaces)) {
      const last = tried.get(id) ?? null;
      if (surface.address === undefined || (last !== null && last.getTime() >= since)) continue;
      if (await claimFetch(id, last)) await fetchSurface(id, surface);
    }
  } catch (error) {
    if (!isUnavailable(error)) log.error({ err: String(error) }, 'surfaces could not be fetched');
  } finally {
    running = false;
  }
}
