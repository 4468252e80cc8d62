import { useEffect } from 'react';
import { useStore } from 'zustand';
import { useStoreWithEqualityFn } from 'zustand/traditional';
import { createStore } from 'zustand/vanilla';
import type { CheckUpClient } from '../../client/check-up/check-up-client.ts';
import type { SurfaceStandings } from '../../client/check-up/known-beside.ts';
import type { EffectRequest } from '../../client/check-up/checking-up.ts';
import type { Effect, EffectProgress } from '../../core/effect/effect.ts';
import type { CheckedUp, Finding, NotExamined } from '../../core/check-up/finding.ts';
import type { Policy } from '../../core/policy/types.ts';
import { useDraft } from '../page/draft-context.tsx';
import { useCatalogue, useNotation, useNow } from '../page/page-context.tsx';

/** What the check-up has said of the draft. */
interface CheckUpState {
  /** null: it has not answered yet */
  findings: readonly Finding[] | null;
  notExamined: readonly NotExamined[];
  /** why it cannot say more; null: it can */
  failed: string | null;
  /** the guarantees that were looked at last */
  guarantees: Policy['guarantees'];
}

const state = createStore<CheckUpState>(() => ({
  findings: null,
  notExamined: [],
  failed: null,
  guarantees: undefined,
}));
/** How surfaces stand, where the page follows them. */
const surfaces = createStore<{ standings: SurfaceStandings | null }>(() => ({ standings: null }));

/** Tells the check-up how surfaces stand now. */
export const surfacesStand = (standings: SurfaceStandings): void => surfaces.setState({ standings });

let client: Promise<CheckUpClient> | null = null;

/** How long nothing is edited, dragged or typed until the draft is checked up; the first time the page is left to be drawn. ms */
const pause = 300;
const firstPause = 2000;

/** Checks the draft up whenever it has rested for a moment, for as long as the page is there. Mounted once. */
export function useCheckingUp(): void {
  const policy = useDraft(({ settled }) => settled);
  const resting = useDraft(({ preview }) => preview === null);
  const catalogue = useCatalogue();
  const now = useNow();
  const { locale } = useNotation();
  const standings = useStore(surfaces, (known) => known.standings);
  useEffect(() => {
    if (!resting) return;
    let wanted = true;
    const timer = setTimeout(
      () => {
        const check = async () => {
          const up = await checking();
          const others = await up.check(policy, { catalogue, now, locale, standings });
          if (!wanted) return;
          state.setState((before) => ({ ...together(others, guaranteesIn(before)), failed: null }));
          // They are looked at after the rest: of a large store that takes longest.
          const guarantees = await up.guarantees();
          if (wanted && guarantees) state.setState({ ...together(others, guarantees), guarantees: policy.guarantees });
        };
        check().catch(
          (error: unknown) =>
            wanted && state.setState({ failed: error instanceof Error ? error.message : 'The check-up failed' }),
        );
      },
      client ? pause : firstPause,
    );
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [resting, policy, catalogue, now, locale, standings]);
}

type Checked = Pick<CheckedUp, 'findings' | 'notExamined'>;

/** What was said of guarantees until it is said anew. */
const guaranteesIn = ({ findings, notExamined }: CheckUpState): Checked => ({
  findings: findings?.filter(({ firm }) => firm) ?? [],
  notExamined: notExamined.filter(({ stop }) => stop === 'release'),
});

/** What is wrong first, guarantees before all else. */
const together = (others: Checked, guarantees: Checked): Checked => ({
  findings: [...guarantees.findings, ...others.findings],
  notExamined: [...others.notExamined, ...guarantees.notExamined],
});

const checking = (): Promise<CheckUpClient> =>
  (client ??= import('../../client/check-up/check-up-client.ts').then((module) => new module.CheckUpClient()));

/**
 * What changes for shoppers between two policies, worked out away from the page; null where the same asker has asked for another
 * since. @throws Error when that is not there
 */
export const effectBetween = async (
  request: EffectRequest,
  draft: Policy,
  progress: (soFar: EffectProgress) => void,
): Promise<Effect | null> => (await checking()).effect(request, draft, progress);

export const useCheckUp = (): CheckUpState => useStore(state);

/** What a finding says, as it is kept where it is accepted. @throws Error when the check-up is not there */
export async function keptSentenceOf(finding: Finding): Promise<string> {
  if (!client) throw new Error('The check-up has not begun');
  return (await client).kept(finding);
}

const none: readonly Finding[] = [];
const sameFindings = (these: readonly Finding[], those: readonly Finding[]): boolean =>
  these === those || (these.length === 0 && those.length === 0);

/** Findings that are not accepted, of a place in the policy and of what stands in it. @param at JSON Pointer */
export const useFindingsAt = (at: string): readonly Finding[] =>
  useStoreWithEqualityFn(
    state,
    ({ findings }) =>
      findings?.filter(
        (finding) => finding.accepted === null && (finding.at === at || finding.at.startsWith(`${at}/`)),
      ) ?? none,
    sameFindings,
  );
