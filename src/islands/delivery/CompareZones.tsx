import { ChevronDown, ChevronRight } from 'lucide-react';
import { useMemo, useState } from 'react';
import { ChargeWords } from '../../core/charges/charge-in-words.ts';
import { compareZones, type ComparedField } from '../../core/options/compare-zones.ts';
import type { Market } from '../../core/policy/types.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { saveCsv } from '../page/save-file.ts';
import { SaveAs } from '../../ui/SaveAs.tsx';
import { estimatePhrase } from './option-words.ts';
import { part } from '../page/parts.ts';

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
  const name = (zone: string) => policy.zones[zone]!.name;
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
        <div className="overflow-x-auto" data-testid="comparison">
          <table className="table table-xs w-auto">
            <thead>
              <tr className="border-b border-hairline text-left text-soft">
                <th scope="col" className="py-1 pr-4 font-normal">
                  option
                </th>
                {zones.map((zone) => (
                  <th key={zone} scope="col" className="min-w-40 py-1 pr-4 font-normal">
                    {name(zone)}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.name} className="border-b border-hairline align-baseline">
                  <th scope="row" className="py-1 pr-4 text-left font-semibold">
                    {row.name}
                    <span className="block font-normal text-soft">{row.same ? 'the same everywhere' : ''}</span>
                  </th>
                  {zones.map((zone) => {
                    const cell = row.zones.get(zone);
                    return (
                      <td key={zone} className="py-1 pr-4">
                        {cell ? (
                          <button type="button" className="text-left hover:underline" onClick={() => go(zone, cell.id)}>
                            {words.charge(cell.option.charge)}, {estimatePhrase(cell.option.estimate)}
                            {cell.differs.length > 0 && (
                              <span className="block text-warning">
                                differs in {cell.differs.map((field) => fieldWords[field]).join(', ')}
                              </span>
                            )}
                          </button>
                        ) : (
                          <span className="text-soft">not offered</span>
                        )}
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </table>
          <SaveAs
            what="the comparison"
            forms={[
              {
                name: 'CSV',
                save: () =>
                  saveCsv(
                    `options-${marketId}`,
                    ['option', ...zones.map(name)],
                    rows.map((row) => [
                      row.name,
                      ...zones.map((zone) => {
                        const cell = row.zones.get(zone);
                        return cell ? words.charge(cell.option.charge) : '';
                      }),
                    ]),
                  ),
              },
            ]}
          />
        </div>
      )}
    </section>
  );
}
