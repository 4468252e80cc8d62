import { useEffect } from 'react';
import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import type { CheckUpClient } from '../../client/check-up/check-up-client.ts';
import type { Finding } from '../../core/check-up/finding.ts';
import { useDraft } from './draft-context.tsx';
import { useCatalogue, useNotation, useNow } from './page-context.tsx';

/** What the check-up has said of the draft. */
interface CheckUpState {
  /** null: it has not answered yet */
  findings: readonly Finding[] | null;
  /** why it cannot say more; null: it can */
  failed: string | null;
}

const state = createStore<CheckUpState>(() => ({ findings: null, failed: null }));
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
  useEffect(() => {
    if (!resting) return;
    let wanted = true;
    const timer = setTimeout(
      () => {
        client ??= import('../../client/check-up/check-up-client.ts').then((module) => new module.CheckUpClient());
        client
          .then((checking) => checking.check(policy, catalogue, now, locale))
          .then(
            (findings) => wanted && state.setState({ findings, failed: null }),
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
  }, [resting, policy, catalogue, now, locale]);
}

export const useCheckUp = (): CheckUpState => useStore(state);
