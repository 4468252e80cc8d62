import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { call } from '../../client/http.ts';
import type { About, News, Present } from '../../contract/shapes/together.ts';
import { insist } from '../../ui/lazy-part.tsx';
import { useDraft } from '../page/draft-context.tsx';
import { usePerson, useRelease, useSetRelease } from '../page/page-context.tsx';

const Others = createContext<readonly Present[]>([]);
const OpenComments = createContext<News['comments']>([]);

const none: News['comments'] = [];

/** Has what others do appear below as they do it, and tells them where this page is. */
export function Together({ place, children }: { place: string; children: ReactNode }) {
  const { account } = usePerson();
  const hasAccount = account !== null;
  const refresh = useDraft((state) => state.refresh);
  const [news, setNews] = useState<News | null>(null);
  // Without accounts one is alone, and what others do is not even fetched to be heard.
  useEffect(() => {
    if (!hasAccount) return;
    const gone = new AbortController();
    void insist(() => import('../../client/together/be-there.ts')).then(({ beThere }) => {
      if (!gone.signal.aborted) gone.signal.addEventListener('abort', beThere(place, setNews));
    });
    return () => gone.abort();
  }, [place, hasAccount]);
  useEffect(() => {
    if (news) refresh(news.draft);
  }, [news, refresh]);
  useReleasesOfOthers(news?.release ?? null);
  const people = news?.people;
  const others = useMemo(() => (people ?? []).filter((one) => one.account !== account), [people, account]);
  return (
    <Others value={others}>
      <OpenComments value={news?.comments ?? none}>{children}</OpenComments>
    </Others>
  );
}

/** What somebody else has released is what this page compares with, too. */
function useReleasesOfOthers(told: number | null): void {
  const release = useRelease();
  const setRelease = useSetRelease();
  const known = release?.number ?? 0;
  useEffect(() => {
    if (told === null || told <= known) return;
    let wanted = true;
    void call('GET /api/releases/{number}', { params: { number: told } }).then((answer) => {
      if (wanted && answer.ok) setRelease({ number: told, policy: answer.body.policy });
    });
    return () => {
      wanted = false;
    };
  }, [told, known, setRelease]);
}

/** Open pages of other people. */
export const useOthers = (): readonly Present[] => useContext(Others);

/** How many comments on a thing are not done. */
export const useOpenComments = (kind: About['kind'], about: string): number =>
  useContext(OpenComments).find((one) => one.kind === kind && one.about === about)?.open ?? 0;
