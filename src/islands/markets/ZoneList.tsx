import { useMemo } from 'react';
import { addZone, removeZone } from '../../client/edits/market-edits.ts';
import { moveBy, setAt } from '../../client/edits/set-at.ts';
import { countOptions } from '../../core/options/count-options.ts';
import { inOrder } from '../../core/ordered.ts';
import { areaInWords, decidesByInWords, regionsIn } from '../../core/geography/area-in-words.ts';
import type { Market } from '../../core/policy/types.ts';
import { SortableRow, SortableRows } from '../../ui/SortableRows.tsx';
import { EditedField } from '../fields/EditedField.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { GuardedEdits, useGuardedEdit } from '../page/use-edit.tsx';
import { countryName } from '../page/place-names.ts';
import { useRegionNames } from '../page/use-regions.ts';
import { AreaEditor } from './AreaEditor.tsx';
import { parseName } from '../fields/typed-text.ts';
import { part } from '../page/parts.ts';

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
  return (
    <GuardedEdits edit={edit}>
      <section ref={part('zones')} className="mt-3 border-t border-hairline pt-2" aria-label="Zones">
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h2 className="text-title">Zones of {market.name}</h2>
          <p className="text-small text-soft">
            Postcodes and distances win over regions, regions over countries, countries over the whole market; among
            equals the one listed first.
          </p>
        </div>
        {refusal}
        <SortableRows ids={ids} nameOf={(id) => policy.zones[id]?.name ?? id} move={move}>
          <ol>
            {zones.map(([id, zone]) => (
              <SortableRow key={id} id={id} className="border-b border-hairline py-1" data-testid={`zone-${id}`}>
                {({ handle, arrows, onKey }) => (
                  <>
                    <div className="flex flex-wrap items-baseline gap-x-3" onKeyDown={onKey}>
                      <span className="flex items-center self-center">
                        {handle}
                        {arrows}
                      </span>
                      <button
                        type="button"
                        className="btn btn-ghost btn-xs justify-start px-1 font-semibold"
                        aria-expanded={open === id}
                        onClick={() => setOpen(open === id ? '' : id)}
                        data-testid={`open-zone-${id}`}
                      >
                        {zone.name}
                      </button>
                      <span className="min-w-0 flex-1 basis-64 text-small">{areaInWords(zone.area, names)}</span>
                      <span className="text-small text-soft">
                        by {decidesByInWords(zone.area)} ·{' '}
                        <a href={`/delivery?market=${marketId}&zone=${id}`} className="link link-primary">
                          {optionsOf.get(id) === 1 ? '1 option' : `${optionsOf.get(id) ?? 0} options`}
                        </a>
                      </span>
                      <label className="inline-flex items-center gap-1.5 text-small">
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
                            className="btn btn-xs ml-4"
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
                  </>
                )}
              </SortableRow>
            ))}
          </ol>
        </SortableRows>
        {zones.length === 0 && <p className="text-soft">No zone: nobody in this market is offered delivery.</p>}
        <button type="button" className="btn btn-xs mt-2" onClick={add} data-testid="add-zone">
          Add a zone
        </button>
      </section>
    </GuardedEdits>
  );
}
