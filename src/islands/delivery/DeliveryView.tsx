import { useMemo, useState } from 'react';
import { addStarterSet } from '../../client/edits/option-edits.ts';
import { starterSets } from '../../core/charges/starter-sets.ts';
import type { SweepAxis } from '../../core/sweep/axis.ts';
import { inOrder } from '../../core/ordered.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useCompiled } from '../page/page-context.tsx';
import { useGuardedEdit } from '../page/use-edit.tsx';
import { useQuery } from '../page/use-query.ts';
import { Calendars } from './Calendars.tsx';
import { ChargePicture } from './ChargePicture.tsx';
import { CompareZones } from './CompareZones.tsx';
import { OptionList } from './OptionList.tsx';
import { Places } from './Places.tsx';
import { ProductsDelivery } from './ProductsDelivery.tsx';
import { RateSheet } from './RateSheet.tsx';

const axes: readonly (readonly [SweepAxis, string])[] = [
  ['goodsValue', 'goods value'],
  ['weight', 'weight'],
  ['items', 'number of items'],
];

/** What shoppers of a zone may choose, what each option costs them, and when it is there. */
export function DeliveryView({ query: initial }: { query: Record<string, string> }) {
  const policy = usePolicy();
  const compiled = useCompiled();
  const [query, setQuery] = useQuery(initial);
  const { edit, refusal } = useGuardedEdit();
  const [axis, setAxis] = useState<SweepAxis | null>(null);
  const markets = inOrder(policy.markets);
  const wanted = policy.zones[query.zone ?? '']?.market ?? query.market ?? '';
  const marketId = policy.markets[wanted] ? wanted : markets[0]![0];
  const market = policy.markets[marketId]!;
  const zones = useMemo(
    () => inOrder(policy.zones).filter(([, zone]) => zone.market === marketId),
    [policy.zones, marketId],
  );
  const zoneId = policy.zones[query.zone ?? '']?.market === marketId ? query.zone! : (zones[0]?.[0] ?? null);
  const options = useMemo(
    () => (zoneId === null ? [] : inOrder(policy.options).filter(([, option]) => option.zone === zoneId)),
    [policy.options, zoneId],
  );
  const open = options.some(([id]) => id === query.option) ? query.option! : (options[0]?.[0] ?? null);
  const zone = zoneId === null ? undefined : compiled.markets.get(marketId)?.zones.find(({ id }) => id === zoneId);
  const center = Object.values(policy.places ?? {}).find(({ coordinates }) => coordinates)?.coordinates ?? {
    latitude: 52,
    longitude: 5,
  };
  const shownAxis = axis ?? (open === null ? 'goodsValue' : axisOf(policy.options[open]!));
  return (
    <div className="px-5 py-3">
      <h1 className="text-[22px] leading-9">
        Delivery in{' '}
        <PhraseSelect
          head
          label="Market"
          value={marketId}
          options={markets.map(([id, { name }]) => [id, name])}
          choose={(id) => setQuery({ market: id, zone: '', option: '' })}
          testId="market-phrase"
        />
        {zones.length > 0 && (
          <>
            {' '}
            to{' '}
            <PhraseSelect
              head
              label="Zone"
              value={zoneId ?? ''}
              options={zones.map(([id, { name, on }]) => [id, on ? name : `${name} (off)`])}
              choose={(id) => setQuery({ market: marketId, zone: id, option: '' })}
              testId="zone-phrase"
            />
          </>
        )}
      </h1>
      {zoneId === null ? (
        <p>
          {market.name} has no zone.{' '}
          <a href={`/markets?market=${marketId}`} className="underline decoration-dotted underline-offset-2">
            Give it one at Markets
          </a>
          , then its options are set here.
        </p>
      ) : (
        <>
          {zone && open !== null && (
            <ChargePicture key={`${open}-${shownAxis}`} zone={zone} optionId={open} axis={shownAxis}>
              Price before offers by{' '}
              <PhraseSelect
                label="Measure along the picture"
                value={shownAxis}
                options={axes}
                choose={(id) => setAxis(id as SweepAxis)}
                testId="picture-axis"
              />
            </ChargePicture>
          )}
          {!zone && <p className="text-soft">This zone is off: nobody is offered these options.</p>}
          {refusal}
          <OptionList
            zoneId={zoneId}
            marketId={marketId}
            market={market}
            options={options}
            open={open}
            setOpen={(option) => {
              setAxis(null);
              setQuery({ market: marketId, zone: zoneId, option });
            }}
          />
          <p className="mt-3 flex flex-wrap items-baseline gap-x-1 text-[13px]">
            <span className="text-soft">{options.length === 0 ? 'Nothing is offered here. Begin' : 'Add options'}</span>
            {starterSets.map(({ id, name, says }) => (
              <button
                key={id}
                type="button"
                className="quiet-button underline decoration-dotted underline-offset-2"
                title={says}
                onClick={() => edit(addStarterSet(zoneId, id, center))}
                data-testid={`starter-${id}`}
              >
                {name}
              </button>
            ))}
          </p>
          <RateSheet key={`sheet-${zoneId}`} zoneId={zoneId} marketId={marketId} market={market} />
          <CompareZones
            marketId={marketId}
            market={market}
            go={(of, option) => setQuery({ market: marketId, zone: of, option })}
          />
          {compiled.markets.get(marketId) && (
            <ProductsDelivery
              key={`products-${marketId}`}
              marketId={marketId}
              terms={compiled.markets.get(marketId)!.terms}
            />
          )}
          <Places market={market} />
          <Calendars />
        </>
      )}
    </div>
  );
}

/** The measure that an option's charge looks at first. */
function axisOf({
  charge,
}: {
  charge: { lines: Record<string, { order: number; over?: { measure: string }; price: object }> };
}): SweepAxis {
  const measures = inOrder(charge.lines)
    .flatMap(([, { over, price }]) => [over?.measure, (price as { perUnit?: { measure: string } }).perUnit?.measure])
    .filter((measure) => measure !== undefined);
  const first = measures[0];
  if (first === 'weight' || first === 'chargeableWeight') return 'weight';
  return first === 'items' || first === 'lines' ? 'items' : 'goodsValue';
}
