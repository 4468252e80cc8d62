import { useState } from 'react';
import { call, type Answer, type HttpProblem } from '../../client/http.ts';
import type { AskedRelease, ReleaseSummary } from '../../contract/shapes/release.ts';
import { samePolicy } from '../../core/policy/patch.ts';
import { useDraft } from '../page/draft-context.tsx';
import { useSetRelease } from '../page/page-context.tsx';

/** Handing the draft to the shop, alone or with somebody else’s agreement, and going back. @param two whether a release takes two people */
export function useReleasing(atFirst: { releases: ReleaseSummary[]; asked: AskedRelease | null }, two: boolean) {
  const setRelease = useSetRelease();
  const saved = useDraft((state) => state.saved);
  const settled = useDraft((state) => state.settled);
  const flushed = useDraft((state) => state.flushed);
  const refresh = useDraft((state) => state.refresh);
  const [releases, setReleases] = useState(atFirst.releases);
  const [asked, setAsked] = useState(atFirst.asked);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<HttpProblem | null>(null);
  const [said, setSaid] = useState('');

  const trying = async <T>(
    asking: () => Promise<Answer<T>>,
    done: (body: T) => Promise<void> | void,
  ): Promise<boolean> => {
    setBusy(true);
    setProblem(null);
    setSaid('');
    const answer = await asking();
    if (answer.ok) await done(answer.body);
    else {
      setProblem(answer.problem);
      if (answer.problem.status === 412) refresh();
    }
    setBusy(false);
    return answer.ok;
  };
  const take = (releasing: () => Promise<Answer<ReleaseSummary>>): Promise<boolean> =>
    trying(releasing, async (made) => {
      const current = await call('GET /api/releases/{number}', { params: { number: made.number } });
      if (current.ok) setRelease({ number: current.body.number, policy: current.body.policy });
      setReleases((list) => [made, ...list]);
      setSaid(`Release ${made.number} is what the shop uses now.`);
    });
  /** What is released is what was looked at: own edits may still have been on their way, but nobody else's. */
  const asLookedAt = async (work: (revision: number) => Promise<boolean>): Promise<boolean> => {
    const lookedAt = settled;
    const { revision, policy } = await flushed();
    if (samePolicy(policy, lookedAt)) return work(revision);
    setProblem({
      status: 412,
      title: 'The draft has moved on',
      detail: 'Someone edited it since you looked at the changes. Nothing was released. Look at the changes again.',
    });
    return false;
  };
  const releaseNow = (body: { note: string; reason?: string }): Promise<boolean> =>
    asLookedAt((revision) =>
      two
        ? trying(() => call('POST /api/releases/asked', { body, revision }), setAsked)
        : take(() => call('POST /api/releases', { body, revision })),
    );
  const agree = () =>
    asLookedAt(async (revision) => {
      const made = await take(() => call('POST /api/releases/asked/agreement', { revision }));
      if (made) setAsked(null);
      return made;
    });
  const drop = () =>
    void trying(
      () => call('DELETE /api/releases/asked'),
      ({ asked: none }) => setAsked(none),
    );
  const rollBack = (number: number, note: string) =>
    take(() => call('POST /api/releases/{number}/roll-back', { params: { number }, body: { note } }));
  /** What is asked for is what would be asked for again. */
  const standing = asked?.revision === saved.revision;
  /** The number that the next release has. */
  const next = (releases[0]?.number ?? 0) + 1;
  return { releases, next, asked, standing, busy, problem, said, releaseNow, agree, drop, rollBack };
}
