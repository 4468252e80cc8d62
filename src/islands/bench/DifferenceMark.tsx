import { GitCompareArrows } from 'lucide-react';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation, useRelease } from '../page/page-context.tsx';
import { differences, type Rehearsal } from '../rehearsal/rehearse-cart.ts';

/** Where a cart fares otherwise than under the current release. */
export function DifferenceMark({ now, released, currency }: { now: Rehearsal; released: Rehearsal; currency: string }) {
  const { money } = useNotation();
  const release = useRelease();
  const policy = usePolicy();
  const found = differences(
    now,
    released,
    (id) => policy.options[id]?.name ?? id,
    (minor) => (minor === 0 ? 'free' : money(minor, currency)),
  );
  if (found.length === 0) return null;
  return (
    <p className="mt-1 flex gap-1.5 text-fine text-ember" data-testid="difference">
      <GitCompareArrows size={14} aria-hidden className="mt-0.5 shrink-0" />
      <span>
        In release {release?.number}: {found.join('; ')}
      </span>
    </p>
  );
}
