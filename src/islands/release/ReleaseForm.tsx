import { useState } from 'react';
import { useCheckUp } from '../findings/check-up.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { useMayNotRelease } from '../page/page-context.tsx';
import { part } from '../page/parts.ts';

/** Hands the draft to the shop, with what it is for; where something is wrong, with why it is released as it is. */
export function ReleaseForm({
  number,
  disabled,
  refused,
  two,
  release,
}: {
  /** that it will have */
  number: number;
  disabled: boolean;
  /** the server has found something wrong, which this page may not have */
  refused: boolean;
  /** somebody else has to agree */
  two: boolean;
  release: (body: { note: string; reason?: string }) => Promise<boolean>;
}) {
  const [note, setNote] = useState('');
  const [reason, setReason] = useState('');
  const mayNot = useMayNotRelease(usePolicy());
  const { findings } = useCheckUp();
  const wrong = (findings ?? []).filter(({ severity, accepted }) => severity === 'wrong' && accepted === null).length;
  const needsReason = wrong > 0 || refused;
  const submit = async () => {
    const body = { note: note.trim(), ...(needsReason ? { reason: reason.trim() } : {}) };
    if (!(await release(body))) return;
    setNote('');
    setReason('');
  };
  return (
    <form
      ref={part('release')}
      className="mt-3 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <Line label="What this release is for" value={note} change={setNote} testId="release-note" />
      {needsReason && (
        <Line
          label={`${wrongInWords(wrong)} wrong: why it is released as it is`}
          value={reason}
          change={setReason}
          testId="release-reason"
        />
      )}
      <button
        type="submit"
        className="btn btn-primary btn-sm"
        disabled={disabled || mayNot !== null || (needsReason && reason.trim() === '')}
        aria-describedby={mayNot === null ? undefined : 'may-not-release'}
        data-testid="release-button"
      >
        {two ? `Ask for release ${number}` : `Release as number ${number}`}
      </button>
      {mayNot && (
        <p id="may-not-release" className="basis-full text-soft">
          {mayNot}
        </p>
      )}
    </form>
  );
}

function wrongInWords(count: number): string {
  if (count === 0) return 'Something is';
  return count === 1 ? 'One thing is' : `${count} things are`;
}

function Line({
  label,
  value,
  change,
  testId,
}: {
  label: string;
  value: string;
  change: (value: string) => void;
  testId: string;
}) {
  return (
    <label className="flex min-w-72 flex-1 flex-col text-small text-soft">
      {label}
      <input
        className="field text-lead text-base-content"
        value={value}
        maxLength={2000}
        onChange={(event) => change(event.target.value)}
        data-testid={testId}
      />
    </label>
  );
}
