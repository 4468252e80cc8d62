import { createContext, useContext, useState, type ReactNode } from 'react';
import { useStore } from 'zustand';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { policyOfPage } from '../../client/page-policy.ts';
import type { PagePerson, PageProps } from '../../contract/page.ts';
import { catalogueOf, type Catalogue, type Product } from '../../core/catalogue/product.ts';
import { policyChanges, type PolicyChange } from '../../core/changes/changes.ts';
import { compilePolicy, type CompiledPolicy } from '../../core/evaluation/compile.ts';
import type { EndedEarly } from '../../core/experiments/compile-experiments.ts';
import { experimentsOf } from '../../core/experiments/state.ts';
import { Memo } from '../../core/memo.ts';
import { beyondLimit } from '../../core/people/market-limit.ts';
import { whyNot, type Role } from '../../core/people/roles.ts';
import { formatMoney, formatNumber } from '../../core/money/format.ts';
import { emptyPolicy } from '../../core/policy/empty.ts';
import { withPatches } from '../../core/policy/patch.ts';
import type { Policy } from '../../core/policy/types.ts';
import { DraftProvider, usePolicy } from './draft-context.tsx';
import { PageEdits } from './use-edit.tsx';

interface CurrentRelease {
  number: number;
  policy: Policy;
}

/** What a page knows beside the draft. */
interface PageState {
  catalogue: Catalogue;
  /** shows a product as it has become */
  setProduct: (product: Product) => void;
  release: CurrentRelease | null;
  setRelease: (release: CurrentRelease) => void;
}

/** How the person who reads writes amounts and numbers. */
export interface Notation {
  locale: string;
  money: (minor: number, currency: string) => string;
  /** without the currency */
  figure: (minor: number, currency: string) => string;
}

interface PageConstants {
  notation: Notation;
  /** ms since 1970-01-01T00:00Z */
  now: number;
  ended: EndedEarly;
  person: PagePerson;
  state: StoreApi<PageState>;
}

const PageContext = createContext<PageConstants | null>(null);

export function PageProvider({ props, children }: { props: PageProps; children: ReactNode }) {
  const [draft] = useState(() => ({ ...props.draft, policy: policyOfPage(props.draft.address) }));
  const [page] = useState(() => constantsOf(props, draft.policy));
  const { role, markets } = props.person;
  return (
    <DraftProvider draft={draft} editing={{ mayNot: whyNot(role, 'edit'), markets }}>
      <PageContext.Provider value={page}>
        <PageEdits>{children}</PageEdits>
      </PageContext.Provider>
    </DraftProvider>
  );
}

function constantsOf({ locale, now, ended, products, release, person }: PageProps, policy: Policy): PageConstants {
  return {
    notation: {
      locale,
      money: (minor, currency) => formatMoney(minor, currency, locale),
      figure: (minor, currency) => formatNumber(minor, currency, locale),
    },
    now,
    ended: new Map(Object.entries(ended)),
    person,
    state: createStore<PageState>()((set) => ({
      catalogue: catalogueOf(products),
      setProduct: (product) =>
        set(({ catalogue: before }) => ({ catalogue: new Map(before).set(product.id, product) })),
      release: release && { number: release.number, policy: withPatches(policy, [release.patch]) },
      setRelease: (next) => set({ release: next }),
    })),
  };
}

function usePage(): PageConstants {
  const page = useContext(PageContext);
  if (!page) throw new Error('a part of a page outside of its page');
  return page;
}

export const useNotation = (): Notation => usePage().notation;

/** The moment the page was asked for, which carts without one of their own are rehearsed at. ms since 1970-01-01T00:00Z */
export const useNow = (): number => usePage().now;

/** Whom the page is shown to. */
export const usePerson = (): PagePerson => usePage().person;

/** Why the person whom the page is shown to may not do something, in words; null: may. */
export const useMayNot = (need: Role): string | null => whyNot(usePage().person.role, need);

/** Why that person may not make what the shop uses so, in words; null: may. */
export function useMayNotRelease(next: Policy): string | null {
  const { role, markets } = usePage().person;
  const release = useRelease();
  return whyNot(role, 'release') ?? beyondLimit(release?.policy ?? emptyPolicy(), next, markets);
}

export const useCatalogue = (): Catalogue => useStore(usePage().state, (page) => page.catalogue);

export const useSetProduct = () => useStore(usePage().state, (page) => page.setProduct);

export const useRelease = (): CurrentRelease | null => useStore(usePage().state, (page) => page.release);

export const useSetRelease = () => useStore(usePage().state, (page) => page.setRelease);

/** Experiments that ended by themselves. */
export const useEnded = (): EndedEarly => usePage().ended;

/** The arm whose shoppers’ rules are looked at below; null: those of whoever takes no part. */
export const ArmShown = createContext<{ experiment: string; arm: string } | null>(null);

/** The rules of the arm that is looked at, where they are there; else the rules themselves. */
export function useRulesShown(compiled: CompiledPolicy): CompiledPolicy {
  const shown = useContext(ArmShown);
  return (shown && experimentsOf(compiled).arm(shown.experiment, shown.arm)?.compiled) ?? compiled;
}

/** The draft as shown, compiled. */
export function useCompiled(): CompiledPolicy {
  return useRulesShown(compilePolicy(usePolicy()));
}

export function useCompiledRelease(): CompiledPolicy | null {
  const release = useRelease();
  const policy = usePolicy();
  const compiled = useRulesShown(compilePolicy(release?.policy ?? policy));
  return release && compiled;
}

const changesOf = new Memo((draft: Policy, { release, locale }: { release: Policy; locale: string }) =>
  policyChanges(release, draft, locale),
);
const none: PolicyChange[] = [];

/** What the draft as shown differs in from the current release: worked out once for all who ask. */
export function useChanges(): PolicyChange[] {
  const policy = usePolicy();
  const release = useRelease();
  const { locale } = useNotation();
  return release ? changesOf.get(policy, { release: release.policy, locale }) : none;
}
