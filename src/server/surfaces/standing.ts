import type { StatementFound, SurfaceCompared, SurfaceStanding } from '../../contract/shapes/surface.ts';
import { formatMoney } from '../../core/money/format.ts';
import type { Policy, Surface } from '../../core/policy/types.ts';
import type { Compared, Found } from '../../core/surfaces/compared/compared.ts';
import { readDraft } from '../draft/draft-store.ts';
import { wholeCatalogue } from '../products/products-known.ts';
import { currentState } from '../current-state.ts';
import { compiledRelease } from '../quote/current-policy.ts';
import type { Beside } from './compare-surface.ts';
import { knownContent, type KnownContent } from './known-content.ts';
import { readingOfSurface, type Reading } from './reading-store.ts';

/** So many earlier releases are looked through for when something was right. */
const mostReleases = 5;
/** So many amounts are named that would be right. */
const mostNamed = 6;

/** The draft, and what surfaces are compared with; null before the first release. */
export interface Standing {
  draft: Policy;
  release: number | null;
  beside: Beside | null;
}

export async function standingNow(): Promise<Standing> {
  const [{ policy: draft }, { release, catalogue }] = await Promise.all([readDraft(), currentState()]);
  if (release === null) return { draft, release, beside: null };
  const numbers = Array.from({ length: Math.min(release, mostReleases) }, (_, back) => release - back);
  const releases = await Promise.all(numbers.map(compiledRelease));
  const history = releases.flatMap((one) => (one ? [{ release: one.release, policy: one.compiled.policy }] : []));
  return { draft, release, beside: { history, catalogue: await wholeCatalogue(catalogue), instant: Date.now() } };
}

/** A surface of the draft; null: there is none of that name. */
export function surfaceOf({ surfaces = {} }: Policy, id: string): Surface | null {
  return Object.hasOwn(surfaces, id) ? surfaces[id]! : null;
}

/** What a surface states, beside the release and, for what would become stale, the draft. */
export async function compareNow(id: string, surface: Surface, now: Standing): Promise<SurfaceCompared> {
  const read = await readingOfSurface(id);
  const { beside } = now;
  const content = beside && (await knownContent(id, read));
  const compared = content?.compared(surface, beside!) ?? null;
  return {
    standing: {
      id,
      ...counted(compared, read, now.release),
      becomesStale: compared ? becomesStale(surface, content!, beside!, now.draft) : 0,
      ...told(read),
    },
    text: compared?.shown ?? '',
    found: compared ? compared.found.map((one) => toldFound(one, surface, beside!.history[0]!.policy)) : [],
    rightRows: compared?.rightRows ?? 0,
  };
}

const told = ({ readAt, source, problem }: Reading): Pick<SurfaceStanding, 'readAt' | 'source' | 'problem'> => ({
  readAt,
  source,
  problem,
});

function counted(
  compared: Compared | null,
  { doneRelease }: Reading,
  release: number | null,
): Pick<SurfaceStanding, 'state' | 'right' | 'stale' | 'unclear'> {
  const of = (verdict: Found['verdict']['verdict']) =>
    compared?.found.filter((found) => found.verdict.verdict === verdict).length ?? 0;
  const counts = { right: of('right') + (compared?.rightRows ?? 0), stale: of('stale'), unclear: of('unclear') };
  return { state: stateOf(counts, compared !== null, release !== null && doneRelease === release), ...counts };
}

function stateOf(
  { right, stale, unclear }: { right: number; stale: number; unclear: number },
  isRead: boolean,
  isDone: boolean,
): SurfaceStanding['state'] {
  if (isDone) return 'byHand';
  if (!isRead) return 'neverCompared';
  if (stale > 0) return 'stale';
  if (unclear > 0) return 'unclear';
  return right > 0 ? 'right' : 'nothingStated';
}

/** How many statements that are right would not be if the draft were released. */
function becomesStale(surface: Surface, content: KnownContent, beside: Beside, draft: Policy): number {
  const [current] = beside.history;
  if (current!.policy === draft) return 0;
  const compared = content.compared(surface, beside);
  const then = content.compared(surface, {
    ...beside,
    history: [{ release: current!.release + 1, policy: draft }, ...beside.history],
  });
  const right = new Set(compared.found.flatMap(({ start, verdict }) => (verdict.verdict === 'right' ? [start] : [])));
  const found = then.found.filter(({ start, verdict }) => right.has(start) && verdict.verdict !== 'right').length;
  // Rows of data that are right are not among what is found.
  return found + Math.max(0, compared.rightRows - then.rightRows);
}

function toldFound({ kind, start, end, marketId, verdict }: Found, surface: Surface, policy: Policy): StatementFound {
  const market = marketId === null ? undefined : policy.markets[marketId];
  const language = surface.languages[0] ?? market?.languages[0] ?? 'en-GB';
  const write = (should: number | string) =>
    typeof should === 'number' && market ? formatMoney(should, market.currency, language) : String(should);
  return {
    kind,
    start,
    end,
    market: marketId,
    verdict: verdict.verdict,
    should: verdict.verdict === 'stale' ? verdict.should.slice(0, mostNamed).map(write) : [],
    since: verdict.verdict === 'stale' ? verdict.since : null,
    because: verdict.verdict === 'unclear' ? verdict.because : null,
  };
}
