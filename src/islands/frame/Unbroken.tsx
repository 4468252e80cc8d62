import { statusOf } from '../../client/draft/draft-reducer.ts';
import type { ReactNode } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { useDraft, usePolicy } from '../page/draft-context.tsx';

/**
 * What stands below may fail without taking the page along: what happened is said in its place, and the draft, its undo and
 * the rest of the page stay as they are. It is tried again as soon as the draft changes.
 *
 * @param name of what stands there, as the sentence names it
 */
export function Unbroken({ name, children }: { name: string; children: ReactNode }) {
  const policy = usePolicy();
  return (
    <ErrorBoundary resetKeys={[policy]} fallbackRender={(failure) => <Failed name={name} {...failure} />}>
      {children}
    </ErrorBoundary>
  );
}

function Failed({ name, error, resetErrorBoundary }: FallbackProps & { name: string }) {
  const status = useDraft(statusOf);
  const step = useDraft((state) => state.step);
  const canUndo = useDraft((state) => state.saved.canUndo !== null || state.pending.length > 0);
  const reason = error instanceof Error ? error.message : String(error);
  return (
    <section role="alert" className="px-5 py-4" data-testid="failed">
      <h2 className="font-head text-title">{name} could not be shown</h2>
      <p className="mt-1 max-w-[65ch]">
        Something in it has failed{reason && ` (${reason})`}.{' '}
        {status === 'saved' ? 'All your edits are saved.' : 'Your edits are kept and still being sent.'}
        {canUndo && ' Undo takes the last one back, should it be the cause.'}
      </p>
      <p className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm" onClick={resetErrorBoundary}>
          Show it again
        </button>
        {canUndo && (
          <button type="button" className="btn btn-sm btn-ghost" onClick={() => step('undo')}>
            Undo the last edit
          </button>
        )}
      </p>
    </section>
  );
}
