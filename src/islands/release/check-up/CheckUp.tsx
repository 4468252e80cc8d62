import { useMemo, useState } from 'react';
import type { Finding, Severity } from '../../../core/check-up/finding.ts';
import { findingKinds } from '../../../core/check-up/registry.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { Table, type TableColumn } from '../../../ui/Table.tsx';
import { useCheckUp } from '../../page/check-up.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { exampleHref, findingHref } from '../../page/finding-href.ts';
import { part } from '../../page/parts.ts';
import { saveCsv } from '../../page/save-file.ts';
import { useEdit } from '../../page/use-edit.tsx';

const severities: readonly (readonly [Severity, string])[] = [
  ['wrong', 'wrong'],
  ['risky', 'risky'],
  ['remark', 'remarks'],
];

/** What is wrong, risky or worth knowing in the draft, each with where it stands, a cart that shows it, and what mends it. */
export function CheckUp() {
  const { findings, failed } = useCheckUp();
  const [severity, setSeverity] = useState('');
  const [kind, setKind] = useState('');
  const [market, setMarket] = useState('');
  const { markets } = usePolicy();
  const shown = useMemo(
    () =>
      (findings ?? []).filter(
        (finding) =>
          (severity === '' || finding.severity === severity) &&
          (kind === '' || finding.kind === kind) &&
          (market === '' || finding.marketId === market),
      ),
    [findings, severity, kind, market],
  );
  return (
    <section ref={part('check-up')} className="mt-4" aria-label="Check-up" data-testid="check-up">
      <h2 className="text-title">Check-up</h2>
      {failed && (
        <p role="alert" className="text-error">
          {failed}. What stands here is what was found before; open the page again to try once more.
        </p>
      )}
      {!findings && !failed && <p className="text-soft">The draft is being looked through.</p>}
      {findings?.length === 0 && <p className="text-soft">Of all that it looks for nothing was found.</p>}
      {findings && findings.length > 0 && (
        <Table
          label="Findings"
          columns={columns}
          rows={shown}
          keyOf={({ id }) => id}
          search="Find a finding"
          save={{ what: 'the findings', csv: (heading, rows) => saveCsv('findings', heading, rows) }}
          testId="findings"
          rowTestId={({ id }) => `finding-${id}`}
        >
          <PhraseSelect
            label="How bad"
            value={severity}
            options={[['', countsOf(findings)], ...severities]}
            choose={setSeverity}
            quiet={severity === ''}
            testId="findings-severity"
          />
          <PhraseSelect
            label="Kind of finding"
            value={kind}
            options={[['', 'of every kind'], ...kindsIn(findings)]}
            choose={setKind}
            quiet={kind === ''}
            testId="findings-kind"
          />
          <PhraseSelect
            label="Market"
            value={market}
            options={[['', 'in all markets'], ...Object.entries(markets).map(([id, { name }]) => [id, name] as const)]}
            choose={setMarket}
            quiet={market === ''}
            testId="findings-market"
          />
        </Table>
      )}
    </section>
  );
}

/** “1 wrong, 2 risky, 3 remarks”; what there is none of is left out. */
function countsOf(findings: readonly Finding[]): string {
  return severities
    .flatMap(([id, name]) => {
      const count = findings.filter(({ severity }) => severity === id).length;
      return count === 0 ? [] : [`${count} ${count === 1 && id === 'remark' ? 'remark' : name}`];
    })
    .join(', ');
}

const kindsIn = (findings: readonly Finding[]): (readonly [string, string])[] =>
  findingKinds.all
    .filter(({ kind }) => findings.some((finding) => finding.kind === kind))
    .map(({ kind, called }) => [kind, called]);

const columns: TableColumn<Finding>[] = [
  {
    id: 'severity',
    name: 'How bad',
    value: ({ severity }) => severity,
    cell: ({ severity }) => <span className={severityLook[severity]}>{severity}</span>,
    className: 'w-16',
  },
  { id: 'finding', name: 'What is found', value: ({ sentence }) => sentence },
  {
    id: 'stop',
    name: 'Stands at',
    value: ({ stop }) => stop,
    cell: (finding) => <Place finding={finding} />,
    className: 'sm:w-20',
  },
  {
    id: 'do',
    name: 'See and mend',
    bare: true,
    value: () => null,
    cell: (finding) => <Tools finding={finding} />,
    className: 'text-right sm:w-40',
  },
];

const severityLook: Record<Severity, string> = {
  wrong: 'font-semibold text-error',
  risky: 'text-warning',
  remark: 'text-soft',
};

function Place({ finding }: { finding: Finding }) {
  const policy = usePolicy();
  return (
    <a className="link link-primary capitalize" href={findingHref(policy, finding)}>
      {finding.stop}
    </a>
  );
}

function Tools({ finding }: { finding: Finding }) {
  const edit = useEdit();
  const { remedy, sentence } = finding;
  const example = exampleHref(finding);
  return (
    <span className="inline-flex flex-wrap items-baseline justify-end gap-x-2">
      {example && (
        <a className="link link-primary" href={example} aria-label={`A cart that shows: ${sentence}`}>
          a cart
        </a>
      )}
      {remedy && (
        <button
          type="button"
          className="btn btn-xs"
          title={`${sentence} It can be undone.`}
          onClick={() => edit(() => remedy.patch)}
        >
          {remedy.says}
        </button>
      )}
    </span>
  );
}
