import { CircleDashed } from 'lucide-react';
import type { SurfaceStanding } from '../../../contract/shapes/surface.ts';
import type { Surface } from '../../../core/policy/types.ts';
import { surfaceKindOf } from '../../../core/surface-kinds/registry.ts';
import { lazyPart } from '../../../ui/lazy-part.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useMoments } from '../../page/use-moments.ts';
import { countsInWords, stateLooks } from './surface-words.ts';

const SurfaceOpened = lazyPart(() => import('./SurfaceOpened.tsx'), <p className="text-soft">Being compared.</p>);

/** A surface: how it stands, for whom it speaks, and when it was last read. */
export function SurfaceRow({
  id,
  surface,
  standing,
  take,
  open,
  toggle,
}: {
  id: string;
  surface: Surface;
  standing: SurfaceStanding | null;
  take: (standing: SurfaceStanding) => void;
  open: boolean;
  toggle: () => void;
}) {
  const policy = usePolicy();
  const write = useMoments();
  const { said, Icon, look } = standing
    ? stateLooks[standing.state]
    : { said: 'being compared', Icon: CircleDashed, look: 'text-soft' };
  const markets = Object.keys(surface.markets).flatMap((market) => policy.markets[market]?.name ?? []);
  const { readAt, problem } = standing ?? { readAt: null, problem: null };
  const about = [
    surfaceKindOf(surface).called === surface.name ? '' : surfaceKindOf(surface).called,
    markets.length === 0 ? 'all markets' : markets.join(', '),
    surface.languages.join(', '),
    surface.keeper ? `kept by ${surface.keeper}` : '',
    readAt === null ? '' : `read ${write(readAt)}`,
  ].filter((text) => text !== '');
  return (
    <li className="border-b border-hairline py-1.5" data-testid={`surface-${id}`} data-state={standing?.state ?? ''}>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <span className={`inline-flex w-36 shrink-0 items-baseline gap-1 ${look}`}>
          <Icon size={15} className="self-center" aria-hidden />
          {said}
        </span>
        <span className="min-w-60 flex-1">
          <strong>{surface.name}</strong>
          <span className="block text-small text-soft">{about.join(' · ')}</span>
          {standing && standing.becomesStale > 0 && (
            <span className="block text-small text-warning">
              {standing.becomesStale === 1 ? 'One statement' : `${standing.becomesStale} statements`} will not be right
              any more once the draft is released.
            </span>
          )}
          {problem !== null && (
            <span className="block text-small text-error">The last time it could not be fetched: {problem}.</span>
          )}
        </span>
        <span className="text-small text-soft">{standing ? countsInWords(standing) : ''}</span>
        <button
          type="button"
          className="btn btn-xs"
          aria-expanded={open}
          aria-label={`${open ? 'Close' : 'Open'} “${surface.name}”`}
          onClick={toggle}
          data-testid={`surface-open-${id}`}
        >
          {open ? 'close' : 'open'}
        </button>
      </div>
      {open && <SurfaceOpened id={id} surface={surface} standing={standing} take={take} />}
    </li>
  );
}
