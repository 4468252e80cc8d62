import { useMemo } from 'react';
import type { Finding, NotExamined, Severity } from '../../../core/check-up/finding.ts';
import { plainQuery } from '../../../core/plain-query.ts';
import { findingKinds } from '../../../core/check-up/registry.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { Table, type TableColumn } from '../../../ui/Table.tsx';
import { useCheckUp } from '../../findings/check-up.ts';
import { findingHref } from '../../findings/finding-href.ts';
import { FindingTools } from '../../findings/FindingTools.tsx';
import { countsOf, severities, severityIds } from '../../findings/severity.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { part } from '../../page/parts.ts';
import { saveCsv } from '../../page/save-file.ts';
import { useQuery } from '../../page/use-query.ts';

/** What is wrong, risky or worth knowing in the draft, each with where it stands, a cart that shows it, and what mends it. */
export function CheckUp() {
  const { findings, notExamined, failed } = useCheckUp();
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
      {findings && findings.length > 0 && <Findings findings={findings} />}
      <Unlooked notExamined={notExamined} />
    </section>
  );
}

type Show = Severity | 'accepted' | '';

function Findings({ findings }: { findings: readonly Finding[] }) {
  // It is drawn in the browser alone, where the check-up runs.
  const [query, setQuery] = useQuery(plainQuery(new URLSearchParams(window.location.search)));
  const { found: severity = '', stop = '', kind = '', in: market = '' } = query;
  const { markets } = usePolicy();
  const open = useMemo(() => findings.filter(({ accepted }) => accepted === null), [findings]);
  const accepted = findings.length - open.length;
  const shown = useMemo(
    () =>
      findings.filter(
        (finding) =>
          isShown(finding, severity as Show) &&
          (stop === '' || finding.stop === stop) &&
          (kind === '' || finding.kind === kind) &&
          (market === '' || finding.marketId === market),
      ),
    [findings, severity, stop, kind, market],
  );
  return (
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
        options={[
          ['', open.length > 0 ? countsOf(open) : 'nothing that is not accepted'],
          ...severityIds.map((id) => [id, severities[id].several] as const),
          ['accepted', accepted === 0 ? 'accepted' : `${accepted} accepted`],
        ]}
        choose={(found) => setQuery({ found })}
        quiet={severity === ''}
        testId="findings-severity"
      />
      <PhraseSelect
        label="Stop"
        value={stop}
        options={[['', 'at every stop'], ...stopsIn(findings)]}
        choose={(chosen) => setQuery({ stop: chosen })}
        quiet={stop === ''}
        testId="findings-stop"
      />
      <PhraseSelect
        label="Kind of finding"
        value={kind}
        options={[['', 'of every kind'], ...kindsIn(findings)]}
        choose={(chosen) => setQuery({ kind: chosen })}
        quiet={kind === ''}
        testId="findings-kind"
      />
      <PhraseSelect
        label="Market"
        value={market}
        options={[['', 'in all markets'], ...Object.entries(markets).map(([id, { name }]) => [id, name] as const)]}
        choose={(chosen) => setQuery({ in: chosen })}
        quiet={market === ''}
        testId="findings-market"
      />
    </Table>
  );
}

/** Those that are accepted are shown when they are asked for. */
const isShown = ({ severity, accepted }: Finding, show: Show): boolean =>
  show === 'accepted' ? accepted !== null : accepted === null && (show === '' || severity === show);

const nameOf = (stop: string): string => stop[0]!.toUpperCase() + stop.slice(1);

const stopsIn = (findings: readonly Finding[]): (readonly [string, string])[] =>
  [...new Set(findings.map(({ stop }) => stop))].map((stop) => [stop, `at ${nameOf(stop)}`]);

const kindsIn = (findings: readonly Finding[]): (readonly [string, string])[] =>
  findingKinds.all
    .filter(({ kind }) => findings.some((finding) => finding.kind === kind))
    .map(({ kind, called }) => [kind, called]);

const columns: TableColumn<Finding>[] = [
  {
    id: 'severity',
    name: 'How bad',
    value: ({ severity, accepted }) => (accepted === null ? severity : `accepted: ${accepted}`),
    cell: ({ severity }) => <span className={severities[severity].look}>{severities[severity].one}</span>,
    className: 'w-16',
  },
  {
    id: 'finding',
    name: 'What is found',
    value: ({ sentence }) => sentence,
    cell: (finding) => (
      <>
        {finding.sentence}
        {finding.accepted !== null && <span className="text-soft"> Accepted: {finding.accepted}</span>}{' '}
        <FindingTools finding={finding} />
      </>
    ),
  },
  {
    id: 'stop',
    name: 'Stands at',
    value: ({ stop }) => stop,
    cell: (finding) => <Place finding={finding} />,
    className: 'sm:w-20',
  },
];

function Place({ finding }: { finding: Finding }) {
  const policy = usePolicy();
  return (
    <a className="link link-primary" href={findingHref(policy, finding)}>
      {nameOf(finding.stop)}
    </a>
  );
}

/** What could not be looked at, and why: it is no good news. */
function Unlooked({ notExamined }: { notExamined: readonly NotExamined[] }) {
  const policy = usePolicy();
  if (notExamined.length === 0) return null;
  return (
    <div className="mt-2 text-small" data-testid="not-examined">
      <p className="font-semibold">Not examined</p>
      <ul>
        {notExamined.map((one) => (
          <li key={`${one.kind} ${one.at} ${one.because}`}>
            {one.because}{' '}
            {one.at && (
              <a className="link link-primary" href={findingHref(policy, one)}>
                {nameOf(one.stop)}
              </a>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
