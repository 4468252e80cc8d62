import { policyChanges } from '../../core/changes/changes.ts';
import { useDraft } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';

/** To where one signs in, and from there back to this page. */
const signInHere = () => `/sign-in?next=${encodeURIComponent(window.location.pathname + window.location.search)}`;

/** What needs the person's attention now: an edit refused, or two edits in one place. */
export function Notices() {
  const problem = useDraft((state) => state.problem);
  const dismiss = useDraft((state) => state.dismissProblem);
  const collisions = useDraft((state) => state.collisions);
  const [collision] = collisions;
  const decide = useDraft((state) => state.decide);
  const { locale } = useNotation();
  if (!problem && !collision) return null;
  const meeting = collision ? policyChanges(collision.theirs, collision.mine, locale)[0] : undefined;
  return (
    <div className="border-b border-hairline bg-base-200 px-5 py-2" role="alert">
      {collision && (
        <p className="flex flex-wrap items-center gap-3">
          <span>
            Someone else changed the same thing meanwhile. <strong>{meeting?.subject ?? 'A test cart'}</strong>
            {meeting
              ? ` is ${meeting.before ?? 'not set'} there; you set it to ${meeting.after ?? 'nothing'}.`
              : ' differs.'}{' '}
            Everything else you did is kept.{collisions.length > 1 && ` ${collisions.length - 1} more to decide.`}
          </span>
          <button type="button" className="btn btn-sm btn-primary" onClick={() => decide('mine')}>
            Keep mine
          </button>
          <button type="button" className="btn btn-sm" onClick={() => decide('theirs')}>
            Take theirs
          </button>
        </p>
      )}
      {problem && (
        <p className="flex flex-wrap items-center gap-3">
          <span>
            <strong>{problem.title}.</strong> {problem.detail}{' '}
            {problem.fields?.map((field) => `${field.pointer} ${field.message}.`).join(' ')}
          </span>
          {problem.status === 401 && (
            <a className="btn btn-sm btn-primary" href={signInHere()}>
              Sign in
            </a>
          )}
          <button type="button" className="btn btn-sm" onClick={dismiss}>
            All right
          </button>
        </p>
      )}
    </div>
  );
}
