import { useMemo } from 'react';
import { ChargeWords } from '../../../core/charges/charge-in-words.ts';
import { compareZones, type ComparedField } from '../../../core/options/compare-zones.ts';
import type { Market } from '../../../core/policy/types.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { saveCsv } from '../../page/save-file.ts';
import { Fold } from '../../../ui/Fold.tsx';
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

interface Comparing {
  marketId: string;
  market: Market;
  go: (zone: string, option: string) => void;
}

/** The zones of a market side by side: where an option is the same everywhere, where it is not, and in what. */
export function CompareZones(comparing: Comparing) {
  return (
    <section ref={part('all zones')} className="mt-3 border-t border-hairline pt-2" aria-label="Same everywhere">
      <Fold heading={`Same everywhere in ${comparing.market.name}?`} testId="compare-zones">
        {() => <Compared {...comparing} />}
      </Fold>
    </section>
  );
}

function Compared({ marketId, market, go }: Comparing) {
  const policy = usePolicy();
  const { money } = useNotation();
  const { zones, rows } = useMemo(() => compareZones(policy, marketId), [policy, marketId]);
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
    <Table
      label={`Options of ${market.name} by zone`}
      columns={columns}
      rows={rows}
      keyOf={(row) => row.name}
      search="Find an option"
      save={{ what: 'the comparison', csv: (heading, body) => saveCsv(`options-${marketId}`, heading, body) }}
      testId="comparison"
    />
  );
}
