import { statusOf } from '../../client/draft/draft-reducer.ts';
import { useDraft } from '../page/draft-context.tsx';
import { useChanges, useRelease } from '../page/page-context.tsx';
import { Asked } from './Asked.tsx';
import { ChangeList } from './ChangeList.tsx';
import { Guarantees } from './guarantees/Guarantees.tsx';
import { Verdict } from './Verdict.tsx';
import { WhatChanges } from './WhatChanges.tsx';
import { CheckUp } from './check-up/CheckUp.tsx';
import { CompareReleases } from './CompareReleases.tsx';
import { Published } from './surfaces/Published.tsx';
import { Untold } from '../receivers/Untold.tsx';
import { Surfaces } from './surfaces/Surfaces.tsx';
import { useSurfaces } from './surfaces/use-surfaces.ts';
import { useReleasing } from './use-releasing.ts';
import { ReleaseForm } from './ReleaseForm.tsx';
import { ReleaseList } from './ReleaseList.tsx';
import type { AskedRelease, ReleaseSummary } from '../../contract/shapes/release.ts';
import { part } from '../page/parts.ts';
import { Alert } from '../../ui/Alert.tsx';

/** What changes for shoppers, handing it to the shop, and going back. */
export function ReleaseView({
  atFirst,
  two,
  query,
}: {
  atFirst: { releases: ReleaseSummary[]; asked: AskedRelease | null };
  /** a release takes two people */
  two: boolean;
  query: Record<string, string>;
}) {
  const changes = useChanges();
  const release = useRelease();
  const saved = useDraft((state) => state.saved);
  const settled = useDraft((state) => state.settled);
  const busySaving = useDraft((state) => statusOf(state) !== 'saved');
  const { releases, next, asked, standing, busy, problem, said, releaseNow, agree, drop, rollBack } = useReleasing(
    atFirst,
    two,
  );
  const standings = useSurfaces();
  const empty = Object.keys(saved.policy.markets).length === 0;
  const nothingToDo = empty || (release !== null && changes.length === 0);

  return (
    <div className="px-5 py-3">
      <h1 className="text-head" ref={part('changes')}>
        {release ? `Changes for shoppers since release ${release.number}` : 'Nothing has been released yet'}
      </h1>
      {empty ? (
        <p className="py-3 text-soft">
          The draft is empty: there is nothing to hand to the shop. Load the demo store at Offers to see how a release
          works.
        </p>
      ) : (
        <>
          {release === null || changes.length === 0 ? (
            <ChangeList changes={changes} released={release !== null} />
          ) : (
            <WhatChanges
              was={release.policy}
              is={settled}
              prefix="changes"
              title={`Changes for shoppers since release ${release.number}`}
            >
              <ChangeList changes={changes} released />
            </WhatChanges>
          )}
          <Verdict surfaces={standings.of} />
        </>
      )}
      {asked && <Asked asked={asked} number={next} busy={busy || busySaving} agree={agree} drop={drop} />}
      {!empty && !standing && (
        <ReleaseForm
          two={two}
          number={next}
          disabled={busy || busySaving || nothingToDo}
          refused={problem?.status === 422}
          release={releaseNow}
        />
      )}
      <p role="status" className="mt-2 min-h-5 text-primary">
        {said}
      </p>
      <Untold />
      {problem && (
        <Alert>
          {problem.title}. {problem.detail}
        </Alert>
      )}
      {!empty && (
        <>
          <Guarantees />
          <CheckUp />
          <Surfaces standings={standings} asked={query} />
          <Published />
        </>
      )}
      {releases.length > 0 && (
        <>
          <ReleaseList releases={releases} busy={busy} rollBack={rollBack} />
          <CompareReleases releases={releases} />
        </>
      )}
    </div>
  );
}
