import { createContext, useContext, useEffect, useState, type ReactNode } from 'react';
import { useStoreWithEqualityFn } from 'zustand/traditional';
import { announceRevision, connectStore } from '../../client/draft/connect-tabs.ts';
import { createDraftStore, type DraftState, type DraftStore, type Editing } from '../../client/draft/draft-store.ts';
import type { Draft } from '../../contract/shapes/draft.ts';
import type { Policy } from '../../core/policy/types.ts';

const StoreContext = createContext<DraftStore | null>(null);
/** What stands in for the policy below a `Calm`. */
const CalmPolicy = createContext<Policy | null>(null);

/** Holds the draft of this page; every view below sees each change in the same frame. */
export function DraftProvider({ draft, editing, children }: { draft: Draft; editing: Editing; children: ReactNode }) {
  const [store] = useState(() => createDraftStore(draft, announceRevision, editing));
  useEffect(() => connectStore(store), [store]);
  return <StoreContext.Provider value={store}>{children}</StoreContext.Provider>;
}

/** @param same when given, the former result stands as long as a new one is the same to it: an edit elsewhere draws nothing anew */
export function useDraft<T>(select: (state: DraftState) => T, same?: (a: T, b: T) => boolean): T {
  const store = useContext(StoreContext);
  if (!store) throw new Error('useDraft outside of its page');
  return useStoreWithEqualityFn(store, select, same);
}

/** The draft's policy as this part of the page shows it. */
export function usePolicy(): Policy {
  const calm = useContext(CalmPolicy);
  return useDraft(({ policy }) => calm ?? policy);
}

/** How long nothing is dragged or typed until what lies out of the way follows. ms */
const pause = 100;

/**
 * What stands below takes part in every edit at once, and in what is just being dragged or typed only when that pauses: so
 * that pictures and bench, which are looked at meanwhile, have the frame to themselves. What is in it must be memoised.
 */
export function Calm({ children }: { children: ReactNode }) {
  const policy = usePolicy();
  const settled = useDraft(({ preview }) => preview === null);
  const [shown, setShown] = useState(policy);
  // At once, in the same drawing: what is below also looks at the draft without what is being dragged.
  if (settled && shown !== policy) setShown(policy);
  useEffect(() => {
    if (settled) return;
    const timer = setTimeout(() => setShown(policy), pause);
    return () => clearTimeout(timer);
  }, [settled, policy]);
  return <CalmPolicy.Provider value={shown}>{children}</CalmPolicy.Provider>;
}
