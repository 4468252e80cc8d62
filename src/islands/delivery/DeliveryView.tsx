import { useCallback, useMemo, useState } from 'react';
import type { SweepAxis } from '../../core/sweep/axis.ts';
import { inOrder } from '../../core/ordered.ts';
import type { Policy } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { FindingMark } from '../findings/FindingMark.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useCompiled } from '../page/page-context.tsx';
import { useQuery, type SetQuery } from '../page/use-query.ts';
import { Calendars } from './Calendars.tsx';
import { ChargePicture } from './charge/ChargePicture.tsx';
import { CompareZones } from './many/CompareZones.tsx';
import { EveryOption } from './many/EveryOption.tsx';
import { OptionList } from './OptionList.tsx';
import { StorePacking } from './packing/StorePacking.tsx';
import { Places } from './Places.tsx';
import { ProductsDelivery } from './ProductsDelivery.tsx';
import { RateSheet } from './many/RateSheet.tsx';

const axes: readonly (readonly [SweepAxis, string])[] = [
  ['goodsValue', 'goods value'],
  ['weight', 'weight'],
  ['items', 'number of items'],
];

/** What shoppers of a zone may choose, what each option costs them, and when it is there. */
export function DeliveryView({ query: initial }: { query: Record<string, string> }) {
  const policy = usePolicy();
  const [query, setQuery] = useQuery(initial);
  const markets = inOrder(policy.markets);
  const marketId = marketAsked(policy, query);
  const market = policy.markets[marketId]!;
  const zones = useMemo(
    () => inOrder(policy.zones).filter(([, zone]) => zone.market === marketId),
    [policy.zones, marketId],
  );
  const zoneId = policy.zones[query.zone ?? '']?.market === marketId ? query.zone! : (zones[0]?.[0] ?? null);
  return (
    <div className="px-5 py-3">
      <h1 className="text-head leading-9">
        Delivery in{' '}
        <PhraseSelect
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
              label="Zone"
              value={zoneId ?? ''}
              options={zones.map(([id, { name, on }]) => [id, on ? name : `${name} (off)`])}
              choose={(id) => setQuery({ market: marketId, zone: id, option: '' })}
              testId="zone-phrase"
            />{' '}
            <FindingMark at={`/zones/${zoneId ?? ''}`} name={policy.zones[zoneId ?? '']?.name ?? ''} />
          </>
        )}
      </h1>
      {zoneId === null ? (
        <p>
          {market.name} has no zone.{' '}
          <a href={`/markets?market=${marketId}`} className="link link-primary">
            Give it one at Markets
          </a>
          , then its options are set here.
        </p>
      ) : (
        <ZoneDelivery marketId={marketId} zoneId={zoneId} optionAsked={query.option} setQuery={setQuery} />
      )}
    </div>
  );
}

/** The market that the address names, itself or by one of its zones; else the first. */
function marketAsked({ markets, zones }: Policy, query: Record<string, string>): string {
  const wanted = zones[query.zone ?? '']?.market ?? query.market ?? '';
  return markets[wanted] ? wanted : inOrder(markets)[0]![0];
}

/** The options of a zone, and what all zones draw on. */
function ZoneDelivery({
  marketId,
  zoneId,
  optionAsked,
  setQuery,
}: {
  marketId: string;
  zoneId: string;
  optionAsked: string | undefined;
  setQuery: SetQuery;
}) {
  const policy = usePolicy();
  const compiledMarket = useCompiled().markets.get(marketId);
  const [axis, setAxis] = useState<SweepAxis | null>(null);
  const market = policy.markets[marketId]!;
  const options = useMemo(
    () => inOrder(policy.options).filter(([, option]) => option.zone === zoneId),
    [policy.options, zoneId],
  );
  const open = options.some(([id]) => id === optionAsked) ? optionAsked! : (options[0]?.[0] ?? null);
  const zone = compiledMarket?.zones.find(({ id }) => id === zoneId);
  const goTo = useCallback(
    (of: string, zone: string, option: string) => setQuery({ market: of, zone, option }),
    [setQuery],
  );
  const shownAxis = axis ?? (open === null ? 'goodsValue' : axisOf(policy.options[open]!));
  return (
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
      <RateSheet key={`sheet-${zoneId}`} zoneId={zoneId} />
      <CompareZones marketId={marketId} market={market} go={(of, option) => goTo(marketId, of, option)} />
      <EveryOption go={goTo} />
      {compiledMarket && (
        <ProductsDelivery key={`products-${marketId}`} marketId={marketId} terms={compiledMarket.terms} />
      )}
      <StorePacking />
      <Places market={market} />
      <Calendars />
    </>
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
  if (first === 'weight' || first === 'chargeableWeight' || first === 'parcels') return 'weight';
  return first === 'items' || first === 'lines' ? 'items' : 'goodsValue';
}
