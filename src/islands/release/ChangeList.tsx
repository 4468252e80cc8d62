import { useMemo } from 'react';
import { Table, type TableColumn } from '../../ui/Table.tsx';
import { saveCsv } from '../page/save-file.ts';
import type { PolicyChange } from '../../core/changes/changes.ts';

const stops: Record<PolicyChange['stop'], { name: string; href: string }> = {
  markets: { name: 'Markets', href: '/markets' },
  delivery: { name: 'Delivery', href: '/delivery' },
  offers: { name: 'Offers', href: '/offers' },
  wording: { name: 'Wording', href: '/wording' },
  results: { name: 'Results', href: '/results#experiments' },
  store: { name: 'Store', href: '/markets' },
};

/** More rows than these can be searched. */
const fewRows = 8;

const columnsOf = (before: string, after: string): TableColumn<PolicyChange>[] => [
  {
    id: 'stop',
    name: 'Stop',
    value: ({ stop }) => stops[stop].name,
    cell: ({ stop }) => (
      <a className="link link-primary" href={stops[stop].href}>
        {stops[stop].name}
      </a>
    ),
  },
  { id: 'what', name: 'What', value: ({ subject }) => subject },
  { id: 'before', name: before, value: (change) => change.before ?? 'not there', className: 'text-soft' },
  { id: 'after', name: after, value: (change) => change.after ?? 'taken away', className: 'font-semibold' },
];

/** Differences between two policies. `before`, `after`: what the two are called. */
export function ChangeTable({
  label,
  changes,
  before,
  after,
}: {
  label: string;
  changes: PolicyChange[];
  before: string;
  after: string;
}) {
  const columns = useMemo(() => columnsOf(before, after), [before, after]);
  return (
    <Table
      label={label}
      columns={columns}
      rows={changes}
      keyOf={({ path }) => path}
      {...(changes.length > fewRows ? { search: 'Find a change' } : {})}
      save={{ what: label.toLowerCase(), csv: (heading, rows) => saveCsv('changes', heading, rows) }}
      rowTestId={() => 'change'}
    />
  );
}

/** Each difference in a row: where, what, from what, to what. */
export function ChangeList({ changes, released }: { changes: PolicyChange[]; released: boolean }) {
  if (!released)
    return <p className="py-3">The whole draft is new to the shop, which reads nothing until the first release.</p>;
  if (changes.length === 0)
    return <p className="py-3 text-soft">The draft says the same as the release: shoppers would see no difference.</p>;
  return <ChangeTable label="Changes" changes={changes} before="In the release" after="In the draft" />;
}
