import { useEffect, useId, useRef, useState } from 'react';
import type { Effect, EffectProgress } from '../../../core/effect/effect.ts';
import type { Policy } from '../../../core/policy/types.ts';
import { effectBetween } from '../../findings/check-up.ts';
import { useDraft } from '../../page/draft-context.tsx';
import { useNow } from '../../page/page-context.tsx';

/** What changes for shoppers, how far that has been worked out, or why it cannot be said; null: it has not begun. */
export type EffectSaid = { effect: Effect } | { soFar: EffectProgress } | { failed: string } | null;

/** How long nothing is edited until it is worked out anew. ms */
const pause = 300;

/** The effect between two policies; what was said of earlier ones stands until there is another. */
export function useEffectBetween(was: Policy, is: Policy): EffectSaid {
  const now = useNow();
  const asker = useId();
  const saved = useDraft((state) => state.saved.policy);
  // Which markets the draft has is looked at when it is asked; another draft is no reason to ask again.
  const draft = useRef(saved);
  useEffect(() => void (draft.current = saved), [saved]);
  const [said, setSaid] = useState<EffectSaid>(null);
  useEffect(() => {
    let wanted = true;
    const timer = setTimeout(() => {
      effectBetween({ asker, was, is, now }, draft.current, (soFar) => {
        if (wanted) setSaid((before) => (before && 'effect' in before ? before : { soFar }));
      }).then(
        (effect) => wanted && effect && setSaid({ effect }),
        (error: unknown) =>
          wanted && setSaid({ failed: error instanceof Error ? error.message : 'It could not be worked out' }),
      );
    }, pause);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [asker, was, is, now]);
  return said;
}
