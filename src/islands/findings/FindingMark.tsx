import { lazyPart } from '../../ui/lazy-part.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { useFindingsAt } from './check-up.ts';

const FoundHere = lazyPart(() => import('./FoundHere.tsx'), <span className="block p-2">…</span>);

/** Beside a thing: how much the check-up finds in it, which opens what. @param at JSON Pointer of the thing */
export function FindingMark({ at, name }: { at: string; name: string }) {
  const found = useFindingsAt(at);
  const [worst] = found;
  if (!worst) return null;
  return (
    <Popover
      label={`The check-up on ${name}`}
      shown={String(found.length)}
      className={`badge badge-xs ml-1 ${worst.severity === 'wrong' ? 'badge-warning' : 'badge-ghost'}`}
      title={worst.sentence}
      testId={`found-${at}`}
    >
      {() => <FoundHere found={found} />}
    </Popover>
  );
}
