import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useLayoutEffect,
  useMemo,
  useState,
  type ReactNode,
} from 'react';
import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import { catalogueOf, type Catalogue, type Product } from '../../core/catalogue/product.ts';
import { compilePolicy, type CompiledPolicy } from '../../core/evaluation/compile.ts';
import { formatMoney, formatNumber } from '../../core/money/format.ts';
import { policyChanges, type PolicyChange } from '../../core/changes/changes.ts';
import type { Policy } from '../../core/policy/types.ts';
import type { Edit } from '../../client/edits/edit.ts';
import { announceRevision, connectStore } from '../../client/draft/connect-tabs.ts';
import { policyOfPage } from '../../client/page-policy.ts';
import { createDraftStore, type DraftState, type DraftStore } from '../../client/draft/draft-store.ts';
import { withPatches } from '../../core/policy/patch.ts';
import type { PageProps } from '../../contract/page.ts';

interface CurrentRelease {
  number: number;
  policy: Policy;
}

export interface Page {
  catalogue: Catalogue;
  /** shows a product as it has become */
  setProduct: (product: Product) => void;
  locale: string;
  /** ms since 1970-01-01T00:00Z */
  now: number;
  release: CurrentRelease | null;
  setRelease: (release: CurrentRelease) => void;
  /** the draft as shown, compiled */
  compiled: CompiledPolicy;
  compiledRelease: CompiledPolicy | null;
  changes: PolicyChange[];
  money: (minor: number, currency: string) => string;
  /** without the currency */
  figure: (minor: number, currency: string) => string;
}

const StoreContext = createContext<DraftStore | null>(null);
const PageContext = createContext<Page | null>(null);

export function useDraft<T>(select: (state: DraftState) => T): T {
  const store = useContext(StoreContext);
  if (!store) throw new Error('useDraft outside of its page');
  return useStore(store, select);
}

/**
 * Makes an edit, wherever it stands. One that would leave the draft wrong is refused at the top of the page, with its reason.
 * @returns whether it was made
 */
export function useEdit(): (edit: Edit) => boolean {
  const edit = useDraft((state) => state.edit);
  const refuse = useDraft((state) => state.refuse);
  return useCallback(
    (wanted) => {
      const reason = edit(wanted);
      if (reason !== null) refuse(reason);
      return reason === null;
    },
    [edit, refuse],
  );
}

export function usePolicy(): Policy {
  return useDraft((state) => state.policy);
}

export function usePage(): Page {
  const page = useContext(PageContext);
  if (!page) throw new Error('usePage outside of its page');
  return page;
}

/** Holds the draft of this page and what follows from it; every view below sees each change in the same frame. */
export function PageProvider({ props, children }: { props: PageProps; children: ReactNode }) {
  const [store] = useState(() =>
    createDraftStore({ ...props.draft, policy: policyOfPage(props.draft.address) }, announceRevision),
  );
  useEffect(() => connectStore(store), [store]);
  return (
    <StoreContext.Provider value={store}>
      <ComputedPage props={props}>{children}</ComputedPage>
    </StoreContext.Provider>
  );
}

function ComputedPage({ props, children }: { props: PageProps; children: ReactNode }) {
  const policy = usePolicy();
  const [release, setRelease] = useState<CurrentRelease | null>(
    () => props.release && { number: props.release.number, policy: withPatches(policy, [props.release.patch]) },
  );
  const { locale, now } = props;
  const [catalogue, setCatalogue] = useState(() => catalogueOf(props.products));
  const setProduct = useCallback(
    (product: Product) => setCatalogue((before) => new Map(before).set(product.id, product)),
    [],
  );
  const compiled = useMemo(() => compilePolicy(policy), [policy]);
  const compiledRelease = useMemo(() => (release ? compilePolicy(release.policy) : null), [release]);
  const changes = useMemo(
    () => (release ? policyChanges(release.policy, policy, locale) : []),
    [release, policy, locale],
  );
  const money = useCallback((minor: number, currency: string) => formatMoney(minor, currency, locale), [locale]);
  const figure = useCallback((minor: number, currency: string) => formatNumber(minor, currency, locale), [locale]);
  const page = useMemo<Page>(
    () => ({
      catalogue,
      setProduct,
      locale,
      now,
      release,
      setRelease,
      compiled,
      compiledRelease,
      changes,
      money,
      figure,
    }),
    [catalogue, setProduct, locale, now, release, compiled, compiledRelease, changes, money, figure],
  );
  return <PageContext.Provider value={page}>{children}</PageContext.Provider>;
}

/** How long nothing is dragged or typed until what lies out of the way follows. ms */
const pause = 100;

/**
 * What stands below takes part in every edit at once, and in what is just being dragged or typed only when that pauses: so
 * that pictures and bench, which are looked at meanwhile, have the frame to themselves. What is in it must be memoised.
 */
export function Calm({ children }: { children: ReactNode }) {
  const state = useDraft((whole) => whole);
  const page = usePage();
  const [calm] = useState(() => createStore<DraftState>(() => state));
  const [shown, setShown] = useState(page);
  useLayoutEffect(() => {
    const follow = () => {
      calm.setState(state, true);
      setShown(page);
    };
    if (!state.preview) return follow();
    const timer = setTimeout(follow, pause);
    return () => clearTimeout(timer);
  }, [calm, state, page]);
  return (
    <StoreContext.Provider value={calm}>
      <PageContext.Provider value={shown}>{children}</PageContext.Provider>
    </StoreContext.Provider>
  );
}
