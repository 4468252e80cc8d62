import type { AskedRelease } from '../../contract/shapes/release.ts';
import { useDraft, usePolicy } from '../page/draft-context.tsx';
import { useMayNotRelease } from '../page/page-context.tsx';
import { useMoments } from '../page/use-moments.ts';

/** The release that somebody has asked for: whoever else may release agrees, or declines. */
export function Asked({
  asked: { revision, note, reason, askedBy, askedAt, own },
  number,
  busy,
  agree,
  drop,
}: {
  asked: AskedRelease;
  /** that it would have */
  number: number;
  busy: boolean;
  agree: () => Promise<boolean>;
  drop: () => void;
}) {
  const write = useMoments();
  const policy = usePolicy();
  const mayNot = useMayNotRelease(policy);
  const movedOn = useDraft(({ saved }) => saved.revision) !== revision;
  return (
    <section aria-label="Release asked for" className="mt-3 border-l-2 border-primary pl-3" data-testid="asked-release">
      <p>
        <strong>{own ? 'You have asked' : `${askedBy} has asked`}</strong> for release {number}
        {note !== '' && `: “${note}”`}. <span className="text-soft">{write(askedAt)}</span>
      </p>
      {reason !== null && <p className="text-soft">Although something is wrong: {reason}</p>}
      <p>{whatNow(own, movedOn)}</p>
      {!own && !movedOn && mayNot && <p className="text-soft">{mayNot}</p>}
      <p className="mt-1 flex gap-2">
        {!own && !movedOn && (
          <button
            type="button"
            className="btn btn-primary btn-sm"
            disabled={busy || mayNot !== null}
            onClick={() => void agree()}
            data-testid="agree"
          >
            Agree, and release
          </button>
        )}
        <button type="button" className="btn btn-sm" disabled={busy} onClick={drop} data-testid="drop-asked">
          {own ? 'Take it back' : 'Decline'}
        </button>
      </p>
    </section>
  );
}

function whatNow(own: boolean, movedOn: boolean): string {
  if (movedOn) return 'The draft has been edited since, so it has to be asked for anew.';
  return own
    ? 'Somebody else who may release has to agree. It holds for the draft as it is: with the next edit it has to be asked for anew.'
    : 'Look at the changes; once you agree, shoppers get them at once.';
}
