import { lazyPart } from '../../ui/lazy-part.tsx';

/** A tree of conditions, edited in place. */
export const ConditionEditor = lazyPart(() => import('./ConditionTree.tsx'), <p className="text-soft">…</p>);
