import { useMemo } from 'react';
import { addZone, removeZone } from '../../client/edits/market-edits.ts';
import { moveBy, setAt } from '../../client/edits/set-at.ts';
import { countOptions } from '../../core/options/count-options.ts';
import { inOrder } from '../../core/ordered.ts';
import { areaInWords, decidesByInWords, regionsIn } from '../../core/geography/area-in-words.ts';
import type { Market, Zone } from '../../core/policy/types.ts';
import { SortableRow, SortableRows } from '../../ui/SortableRows.tsx';
import { EditedField } from '../fields/EditedField.tsx';
import { FindingMark } from '../findings/FindingMark.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { GuardedEdits, useEdit, useGuardedEdit } from '../page/use-edit.tsx';
import { countryName } from '../page/place-names.ts';
import { useRegionNames } from '../page/use-regions.ts';
import { AreaEditor } from './AreaEditor.tsx';
import { parseName } from '../fields/typed-text.ts';
import { part } from '../page/parts.ts';

/** The zones of a market in their listed order, with a row that adds to them; below stands the one looked at. */
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
  const shown = zones.find(([id]) => id === open)?.[1];
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
              <SortableRow
                key={id}
                id={id}
                className="border-b border-hairline py-1 pl-1 aria-current:bg-base-200 aria-current:shadow-[inset_3px_0_0_var(--color-primary)]"
                aria-current={open === id ? 'true' : undefined}
                data-testid={`zone-${id}`}
              >
                {({ handle, arrows, onKey }) => (
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
                    <FindingMark at={`/zones/${id}`} name={zone.name} />
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
                )}
              </SortableRow>
            ))}
          </ol>
        </SortableRows>
        {zones.length === 0 && <p className="text-soft">No zone: nobody in this market is offered delivery.</p>}
        <p className="py-1">
          <button type="button" className="btn btn-xs" onClick={add} data-testid="add-zone">
            Add a zone
          </button>
        </p>
      </section>
      {shown && (
        <ZoneDetails
          key={open}
          zoneId={open}
          zone={shown}
          market={market}
          options={optionsOf.get(open) ?? 0}
          close={() => setOpen('')}
        />
      )}
    </GuardedEdits>
  );
}

/** The zone looked at: its name, and what it takes in and leaves out. */
function ZoneDetails({
  zoneId,
  zone,
  market,
  options,
  close,
}: {
  zoneId: string;
  zone: Zone;
  market: Market;
  /** how many go with it */
  options: number;
  close: () => void;
}) {
  const edit = useEdit();
  const withOptions = options === 1 ? ' with its option' : ` with its ${options} options`;
  return (
    <section
      ref={part('this zone')}
      className="mt-2 border-t border-hairline pt-1 outline-none"
      aria-label={`Zone ${zone.name}`}
      data-testid="zone-details"
    >
      <p className="flex flex-wrap items-baseline gap-x-3 leading-7">
        <span>
          Zone{' '}
          <EditedField
            label="Name of the zone"
            shown={zone.name}
            parse={parseName}
            change={(value) => setAt(['zones', zoneId, 'name'], value)}
            testId="zone-name"
          />
        </span>
        <button
          type="button"
          className="btn btn-xs"
          onClick={() => edit(removeZone(zoneId)) && close()}
          data-testid="remove-zone"
        >
          Remove it{options > 0 && withOptions}
        </button>
      </p>
      <AreaEditor zoneId={zoneId} zone={zone} market={market} side="include" />
      <AreaEditor zoneId={zoneId} zone={zone} market={market} side="exclude" />
    </section>
  );
}
