import { ChevronDown, ChevronRight } from 'lucide-react';
import { useMemo, useState } from 'react';
import { ChargeWords } from '../../../core/charges/charge-in-words.ts';
import { compareZones, type ComparedField } from '../../../core/options/compare-zones.ts';
import type { Market } from '../../../core/policy/types.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { saveCsv } from '../../page/save-file.ts';
import { Table, type TableColumn } from '../../../ui/Table.tsx';
import { estimatePhrase } from '../option-words.ts';
import { part } from '../../page/parts.ts';

const fieldWords: Record<ComparedField, string> = {
  charge: 'the charge',
  estimate: 'the estimate',
  when: 'who may choose it',
  label: 'what shoppers read',
  schedule: 'the dates',
  on: 'being on',
  kind: 'the kind',
};

/** The zones of a market side by side: where an option is the same everywhere, where it is not, and in what. */
export function CompareZones({
  marketId,
  market,
  go,
}: {
  marketId: string;
  market: Market;
  go: (zone: string, option: string) => void;
}) {
  const policy = usePolicy();
  const { money } = useNotation();
  const [open, setOpen] = useState(false);
  const { zones, rows } = useMemo(
    () => (open ? compareZones(policy, marketId) : { zones: [], rows: [] }),
    [open, policy, marketId],
  );
  const words = useMemo(
    () => new ChargeWords(policy, marketId, (minor) => money(minor, market.currency)),
    [policy, marketId, money, market.currency],
  );
  type Row = (typeof rows)[number];
  const columns: TableColumn<Row>[] = [
    {
      id: 'option',
      name: 'Option',
      value: (row) => row.name,
      cell: (row) => (
        <>
          <strong className="font-semibold">{row.name}</strong>
          {row.same && <span className="block text-soft">the same everywhere</span>}
        </>
      ),
    },
    ...zones.map((zone): TableColumn<Row> => ({
      id: zone,
      name: policy.zones[zone]!.name,
      className: 'min-w-40',
      value: (row) => {
        const cell = row.zones.get(zone);
        return cell ? words.charge(cell.option.charge) : null;
      },
      cell: (row) => {
        const cell = row.zones.get(zone);
        if (!cell) return <span className="text-soft">not offered</span>;
        return (
          <button type="button" className="text-left hover:underline" onClick={() => go(zone, cell.id)}>
            {words.charge(cell.option.charge)}, {estimatePhrase(cell.option.estimate)}
            {cell.differs.length > 0 && (
              <span className="block text-warning">
                differs in {cell.differs.map((field) => fieldWords[field]).join(', ')}
              </span>
            )}
          </button>
        );
      },
    })),
  ];
  return (
    <section ref={part('all zones')} className="mt-3 border-t border-hairline pt-2" aria-label="Same everywhere">
      <h2 className="text-title">
        <button
          type="button"
          className="btn btn-ghost btn-xs px-0"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          data-testid="compare-zones"
        >
          {open ? <ChevronDown size={15} aria-hidden /> : <ChevronRight size={15} aria-hidden />} Same everywhere in{' '}
          {market.name}?
        </button>
      </h2>
      {open && (
        <Table
          label={`Options of ${market.name} by zone`}
          columns={columns}
          rows={rows}
          keyOf={(row) => row.name}
          search="Find an option"
          save={{ what: 'the comparison', csv: (heading, body) => saveCsv(`options-${marketId}`, heading, body) }}
          testId="comparison"
        />
      )}
    </section>
  );
}
