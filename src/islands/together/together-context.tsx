import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { call } from '../../client/http.ts';
import { hearNews } from '../../client/together/hear-news.ts';
import type { About, News, Present } from '../../contract/shapes/together.ts';
import { useDraft } from '../page/draft-context.tsx';
import { usePerson, useRelease, useSetRelease } from '../page/page-context.tsx';
import { usePresence } from './use-presence.ts';

const Others = createContext<readonly Present[]>([]);
const OpenComments = createContext<News['comments']>([]);

const none: News['comments'] = [];

/** Has what others do appear below as they do it, and tells them where this page is. */
export function Together({ place, children }: { place: string; children: ReactNode }) {
  const { account } = usePerson();
  const hasAccount = account !== null;
  const refresh = useDraft((state) => state.refresh);
  const [news, setNews] = useState<News | null>(null);
  // Who is alone has other tabs tell it.
  useEffect(() => (hasAccount ? hearNews(setNews) : undefined), [hasAccount]);
  useEffect(() => {
    if (news) refresh(news.draft);
  }, [news, refresh]);
  useReleasesOfOthers(news?.release ?? null);
  usePresence(place, hasAccount);
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
