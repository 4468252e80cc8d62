import { useEffect, useState } from 'react';
import { call } from '../../client/http.ts';
import type { Policy } from '../../core/policy/types.ts';
import { useDraft } from '../page/draft-context.tsx';

/** What is compared: a release by its number, or the draft. */
export type Side = number | 'draft';

/** Policies of releases, which never change, as far as they have been asked for. */
export function useReleasePolicy(side: Side): Policy | 'unreachable' | null {
  const draft = useDraft(({ settled }) => settled);
  const [read, setRead] = useState<ReadonlyMap<number, Policy | 'unreachable'>>(new Map());
  const wanted = side !== 'draft' && !read.has(side) ? side : null;
  useEffect(() => {
    if (wanted === null) return;
    void call('GET /api/releases/{number}', { params: { number: wanted } }).then((answer) =>
      setRead((known) => new Map(known).set(wanted, answer.ok ? answer.body.policy : 'unreachable')),
    );
  }, [wanted]);
  return side === 'draft' ? draft : (read.get(side) ?? null);
}
