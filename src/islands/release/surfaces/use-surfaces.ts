import { useEffect, useRef, useState } from 'react';
import { call } from '../../../client/http.ts';
import type { SurfaceStanding } from '../../../contract/shapes/surface.ts';
import { surfacesStand } from '../../findings/check-up.ts';
import { useDraft } from '../../page/draft-context.tsx';
import { useRelease } from '../../page/page-context.tsx';

/** How surfaces stand, as far as it is known. */
export interface Standings {
  /** null: not known yet */
  of: ReadonlyMap<string, SurfaceStanding> | null;
  /** why it is not; null: it is, or is being asked for */
  failed: string | null;
  /** takes in what a call has answered of one */
  take: (standing: SurfaceStanding) => void;
}

/** After an edit is saved it is waited for more before surfaces are compared again. ms */
const pause = 300;

/** How every surface stands beside the release, and would beside the draft: asked for anew when either changes. */
export function useSurfaces(): Standings {
  const revision = useDraft(({ saved }) => saved.revision);
  const release = useRelease()?.number ?? null;
  const [of, setOf] = useState<Standings['of']>(null);
  const [failed, setFailed] = useState<string | null>(null);
  // What a call has answered since all were asked for is newer than what they are then said to be.
  const taken = useRef(new Map<string, SurfaceStanding>());
  useEffect(() => {
    let over = false;
    const timer = setTimeout(() => {
      taken.current.clear();
      void call('GET /api/surfaces', {}).then((answer) => {
        if (over) return;
        if (answer.ok) setOf(new Map(answer.body.surfaces.map((one) => [one.id, taken.current.get(one.id) ?? one])));
        setFailed(answer.ok ? null : answer.problem.title);
      });
    }, pause);
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [revision, release]);
  useEffect(() => {
    if (of) surfacesStand(of);
  }, [of]);
  const take = (standing: SurfaceStanding) => {
    taken.current.set(standing.id, standing);
    setOf((known) => new Map(known).set(standing.id, standing));
  };
  return { of, failed, take };
}
