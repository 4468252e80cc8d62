import { useState } from 'react';
import { acceptFinding, takeBackAcceptance } from '../../client/edits/accept-finding.ts';
import type { Finding } from '../../core/check-up/finding.ts';
import { lazyPart } from '../../ui/lazy-part.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { CommentMark } from '../together/CommentMark.tsx';
import { useEdit } from '../page/use-edit.tsx';
import { keptSentenceOf } from './check-up.ts';
import { exampleHref } from './example-href.ts';

const RemedyPreview = lazyPart(() => import('./RemedyPreview.tsx'), <span className="block p-2">…</span>);

/** What can be done about a finding: look at a cart that shows it, mend it, or put up with it for a reason. */
export function FindingTools({ finding }: { finding: Finding }) {
  const { remedy, sentence, accepted, firm } = finding;
  const example = exampleHref(finding);
  return (
    <span className="inline-flex flex-wrap items-baseline gap-x-2 gap-y-1">
      {example && (
        <a className="link link-primary" href={example} aria-label={`A cart that shows: ${sentence}`}>
          a cart
        </a>
      )}
      {remedy && (
        <Popover label={`${remedy.says} …`} shown={`${remedy.says} …`} className="btn btn-xs" title={sentence}>
          {(close) => <RemedyPreview remedy={remedy} close={close} />}
        </Popover>
      )}
      {accepted !== null && <TakeBack id={finding.id} />}
      {accepted === null && !firm && <Accept finding={finding} />}
      <CommentMark kind="finding" about={finding.id} name={sentence} />
    </span>
  );
}

function TakeBack({ id }: { id: string }) {
  const edit = useEdit();
  return (
    <button type="button" className="btn btn-xs" onClick={() => edit(takeBackAcceptance(id))}>
      Do not accept
    </button>
  );
}

function Accept({ finding }: { finding: Finding }) {
  return (
    <Popover label={`Accept: ${finding.sentence}`} shown="Accept …" className="btn btn-xs">
      {(close) => <Reason finding={finding} close={close} />}
    </Popover>
  );
}

function Reason({ finding, close }: { finding: Finding; close: () => void }) {
  const edit = useEdit();
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const accept = async () => {
    try {
      const sentence = await keptSentenceOf(finding);
      if (edit(acceptFinding(finding.id, reason.trim(), sentence))) close();
    } catch {
      setProblem('It could not be accepted: the check-up does not answer. Nothing was changed; open the page again.');
    }
  };
  return (
    <form
      className="flex w-80 max-w-full flex-col gap-2 p-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (reason.trim()) void accept();
      }}
    >
      <p>{finding.sentence}</p>
      <label className="flex flex-col text-small text-soft">
        Why it stays as it is
        <input
          className="field text-base text-base-content"
          value={reason}
          maxLength={500}
          onChange={(event) => setReason(event.target.value)}
          data-testid="accept-reason"
        />
      </label>
      <p className="text-small text-soft">It comes back when it says something else.</p>
      {problem && <p role="alert">{problem}</p>}
      <button type="submit" className="btn btn-primary btn-sm self-start" disabled={!reason.trim()}>
        Accept
      </button>
    </form>
  );
}
