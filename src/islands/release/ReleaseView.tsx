import { statusOf } from '../../client/draft/draft-reducer.ts';
import { useState } from 'react';
import { call, type Answer, type HttpProblem } from '../../client/http.ts';
import { samePolicy } from '../../core/policy/patch.ts';
import { useDraft } from '../page/draft-context.tsx';
import { useChanges, useRelease, useSetRelease } from '../page/page-context.tsx';
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
import { ReleaseForm } from './ReleaseForm.tsx';
import { ReleaseList } from './ReleaseList.tsx';
import type { ReleaseSummary } from '../../contract/shapes/release.ts';
import { part } from '../page/parts.ts';
import { Alert } from '../../ui/Alert.tsx';

/** What changes for shoppers, handing it to the shop, and going back. */
export function ReleaseView({
  releases: initial,
  query,
}: {
  releases: ReleaseSummary[];
  query: Record<string, string>;
}) {
  const changes = useChanges();
  const release = useRelease();
  const setRelease = useSetRelease();
  const saved = useDraft((state) => state.saved);
  const settled = useDraft((state) => state.settled);
  const flushed = useDraft((state) => state.flushed);
  const busySaving = useDraft((state) => statusOf(state) !== 'saved');
  const refresh = useDraft((state) => state.refresh);
  const [releases, setReleases] = useState(initial);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<HttpProblem | null>(null);
  const [said, setSaid] = useState('');
  const standings = useSurfaces();
  const empty = Object.keys(saved.policy.markets).length === 0;
  const nothingToDo = empty || (release !== null && changes.length === 0);

  const take = async (releasing: () => Promise<Answer<ReleaseSummary>>): Promise<boolean> => {
    setBusy(true);
    setProblem(null);
    setSaid('');
    const answer = await releasing();
    if (answer.ok) {
      const current = await call('GET /api/releases/{number}', { params: { number: answer.body.number } });
      if (current.ok) setRelease({ number: current.body.number, policy: current.body.policy });
      setReleases((list) => [answer.body, ...list]);
      setSaid(`Release ${answer.body.number} is what the shop uses now.`);
    } else {
      setProblem(answer.problem);
      if (answer.problem.status === 412) refresh();
    }
    setBusy(false);
    return answer.ok;
  };
  const releaseNow = async (body: { note: string; reason?: string }): Promise<boolean> => {
    // What is released is what was looked at: own edits may still have been on their way, but nobody else's.
    const lookedAt = settled;
    const { revision, policy } = await flushed();
    if (samePolicy(policy, lookedAt)) return take(() => call('POST /api/releases', { body, revision }));
    setProblem({
      status: 412,
      title: 'The draft has moved on',
      detail: 'Someone edited it since you looked at the changes. Nothing was released. Look at the changes again.',
    });
    return false;
  };

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
      {!empty && (
        <ReleaseForm
          number={(releases[0]?.number ?? 0) + 1}
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
      {!empty && <Guarantees />}
      {!empty && <CheckUp />}
      {!empty && <Surfaces standings={standings} asked={query} />}
      {!empty && <Published />}
      {releases.length > 0 && (
        <ReleaseList
          releases={releases}
          busy={busy}
          rollBack={(number, why) =>
            take(() => call('POST /api/releases/{number}/roll-back', { params: { number }, body: { note: why } }))
          }
        />
      )}
      {releases.length > 0 && <CompareReleases releases={releases} />}
    </div>
  );
}
