import type { PolicyChange } from '../../core/changes/changes.ts';
import { Becomes } from '../../ui/Becomes.tsx';

/** What changed, from what to what. */
export const ChangeInWords = ({ change: { subject, before, after } }: { change: PolicyChange }) => (
  <>
    {subject}: <span className="text-soft">{before ?? 'not there'}</span>
    <Becomes />
    <strong className="font-semibold">{after ?? 'taken away'}</strong>
  </>
);
