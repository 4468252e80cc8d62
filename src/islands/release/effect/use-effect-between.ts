import { useEffect, useState } from 'react';
import type { Effect } from '../../../core/effect/effect.ts';
import type { Policy } from '../../../core/policy/types.ts';
import { effectBetween } from '../../findings/check-up.ts';
import { useNow } from '../../page/page-context.tsx';

/** What changes for shoppers, or why that cannot be said; null: it is being worked out. */
export type EffectSaid = { effect: Effect } | { failed: string } | null;

/** How long nothing is edited until it is worked out anew. ms */
const pause = 300;

/** The effect between two policies; what was said of earlier ones stands until there is another. */
export function useEffectBetween(was: Policy | null, is: Policy): EffectSaid {
  const now = useNow();
  const [said, setSaid] = useState<EffectSaid>(null);
  useEffect(() => {
    if (!was) return;
    let wanted = true;
    const timer = setTimeout(() => {
      effectBetween(was, is, now).then(
        (effect) => wanted && setSaid({ effect }),
        (error: unknown) =>
          wanted && setSaid({ failed: error instanceof Error ? error.message : 'It could not be worked out' }),
      );
    }, pause);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [was, is, now]);
  return said;
}
