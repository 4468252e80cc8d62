import { useMemo } from 'react';
import { addZone, removeZone } from '../../client/edits/market-edits.ts';
import { moveBy, setAt } from '../../client/edits/set-at.ts';
import { countOptions } from '../../core/options/count-options.ts';
import { inOrder } from '../../core/ordered.ts';
import { areaInWords, decidesByInWords, regionsIn } from '../../core/geography/area-in-words.ts';
import type { Market } from '../../core/policy/types.ts';
import { useRowDrag } from '../../ui/use-row-drag.tsx';
import { EditedField } from '../fields/EditedField.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { GuardedEdits, useGuardedEdit } from '../page/use-edit.tsx';
import { countryName } from '../page/place-names.ts';
import { useRegionNames } from '../page/use-regions.ts';
import { AreaEditor } from './AreaEditor.tsx';
import { parseName } from '../fields/typed-text.ts';

/** The zones of a market in their listed order; each opens in place. */
export function ZoneList({
  marketId,
  market,
  open,
  setOpen,
}: {
  marketId: string;
  market: Market;
  open: string;
  setOpen: (zone: string) => void;
}) {
  const policy = usePolicy();
  const { locale } = useNotation();
  const { edit, refusal } = useGuardedEdit();
  const zones = useMemo(
    () => inOrder(policy.zones).filter(([, zone]) => zone.market === marketId),
    [policy.zones, marketId],
  );
  const optionsOf = useMemo(() => countOptions(policy.options, ({ zone }) => zone), [policy.options]);
  const ids = zones.map(([id]) => id);
  const regions = useMemo(() => zones.flatMap(([, { area }]) => regionsIn(area)), [zones]);
  const names = { country: (code: string) => countryName(code, locale), region: useRegionNames(regions) };
  const move = (id: string, by: number) => edit(moveBy('zones', ids, id, by));
  const add = () =>
    edit(
      addZone(
        marketId,
        `Zone ${zones.length + 1} of ${market.name}`.slice(0, 120),
        market.countries[0] ? { kind: 'country', country: market.countries[0] } : { kind: 'wholeMarket' },
      ),
    );
  const rows = useRowDrag(ids, move);
  return (
    <GuardedEdits edit={edit}>
      <section className="mt-3 border-t border-hairline pt-2" aria-label="Zones">
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h2 className="text-[17px]">Zones of {market.name}</h2>
          <p className="text-[13px] text-soft">
            Postcodes and distances win over regions, regions over countries, countries over the whole market; among
            equals the one listed first.
          </p>
        </div>
        {refusal}
        <ol>
          {zones.map(([id, zone]) => (
            <li
              key={id}
              className="drop-row border-b border-hairline py-1.5"
              {...rows.rowOf(id)}
              data-testid={`zone-${id}`}
            >
              <div className="flex flex-wrap items-baseline gap-x-3" onKeyDown={rows.onKeyOf(id)}>
                <span className="flex items-center self-center">
                  {rows.handleOf(id)}
                  {rows.arrowsOf(id, zone.name)}
                </span>
                <button
                  type="button"
                  className="quiet-button !justify-start !px-1 font-semibold"
                  aria-expanded={open === id}
                  onClick={() => setOpen(open === id ? '' : id)}
                  data-testid={`open-zone-${id}`}
                >
                  {zone.name}
                </button>
                <span className="min-w-0 flex-1 basis-64 text-[13px]">{areaInWords(zone.area, names)}</span>
                <span className="text-[13px] text-soft">
                  by {decidesByInWords(zone.area)} ·{' '}
                  <a
                    href={`/delivery?market=${marketId}&zone=${id}`}
                    className="underline decoration-dotted underline-offset-2"
                  >
                    {optionsOf.get(id) === 1 ? '1 option' : `${optionsOf.get(id) ?? 0} options`}
                  </a>
                </span>
                <label className="inline-flex items-center gap-1.5 text-[13px]">
                  <input
                    type="checkbox"
                    className="toggle toggle-xs toggle-primary"
                    checked={zone.on}
                    aria-label={`${zone.name} is on`}
                    onChange={(event) => edit(setAt(['zones', id, 'on'], event.target.checked))}
                  />
                  {zone.on ? 'on' : 'off'}
                </label>
              </div>
              {open === id && (
                <div className="mt-1 ml-10">
                  <p className="leading-7">
                    Called{' '}
                    <EditedField
                      label="Name of the zone"
                      shown={zone.name}
                      parse={parseName}
                      change={(value) => setAt(['zones', id, 'name'], value)}
                      testId="zone-name"
                    />
                    <button
                      type="button"
                      className="quiet-button ml-4 underline decoration-dotted underline-offset-2"
                      onClick={() => edit(removeZone(id)) && setOpen('')}
                      data-testid="remove-zone"
                    >
                      Remove it
                      {optionsOf.get(id)
                        ? ` with its ${optionsOf.get(id) === 1 ? 'option' : `${optionsOf.get(id)} options`}`
                        : ''}
                    </button>
                  </p>
                  <AreaEditor zoneId={id} zone={zone} market={market} side="include" />
                  <AreaEditor zoneId={id} zone={zone} market={market} side="exclude" />
                </div>
              )}
            </li>
          ))}
        </ol>
        {zones.length === 0 && <p className="text-soft">No zone: nobody in this market is offered delivery.</p>}
        <button type="button" className="btn btn-xs mt-2" onClick={add} data-testid="add-zone">
          Add a zone
        </button>
      </section>
    </GuardedEdits>
  );
}
