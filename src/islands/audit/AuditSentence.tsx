import type { AuditFilter, AuditKind } from '../../contract/shapes/audit.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { DateField } from '../fields/dates/DateField.tsx';
import { kindWords } from './kind-words.ts';

/** What is shown of the audit, in a sentence, and the file of it. */
export function AuditSentence({
  people,
  filter,
  choose,
}: {
  people: readonly string[];
  filter: AuditFilter;
  choose: (filter: AuditFilter) => void;
}) {
  const { kind = '', person = '', from = '', to = '' } = filter;
  /** What is empty is not asked. */
  const change = (some: Partial<Record<keyof AuditFilter, string>>) =>
    choose(
      Object.fromEntries(
        Object.entries({ ...filter, ...some }).filter(([, value]) => value !== '' && value !== undefined),
      ) as AuditFilter,
    );
  const file = `/api/audit.csv?${new URLSearchParams(filter as Record<string, string>).toString()}`;
  return (
    <p className="py-1 text-lead leading-8">
      What was done about{' '}
      <PhraseSelect
        label="What it was about"
        value={kind}
        options={[['', 'anything'], ...Object.entries(kindWords)]}
        choose={(chosen) => change({ kind: chosen as AuditKind })}
        testId="audit-kind"
      />{' '}
      by{' '}
      <PhraseSelect
        label="Who did it"
        value={person}
        options={[['', 'anybody'], ...people.map((name) => [name, name] as const)]}
        choose={(chosen) => change({ person: chosen })}
        testId="audit-person"
      />{' '}
      from{' '}
      <DateField
        label="First day"
        none="the beginning"
        value={from}
        change={(day) => change({ from: day })}
        testId="audit-from"
      />{' '}
      to <DateField label="Last day" none="today" value={to} change={(day) => change({ to: day })} testId="audit-to" />{' '}
      <span className="text-small">
        <span className="text-soft">save as</span>{' '}
        <a className="btn btn-xs" href={file} download="audit.csv" aria-label="Save the audit as CSV">
          CSV
        </a>
      </span>
    </p>
  );
}
