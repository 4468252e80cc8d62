import { setCartPart, setDestinationPart } from '../../../client/edits/cart-edits.ts';
import { carriersOf } from '../../../core/charges/carriers-of.ts';
import type { CompiledZone } from '../../../core/evaluation/compile.ts';
import { inOrder } from '../../../core/ordered.ts';
import { distanceKm, northOf } from '../../../core/geography/distance.ts';
import { locate } from '../../../core/geography/postcode-regions/region-of-postcode.ts';
import type { TestCart } from '../../../core/policy/types.ts';
import { parseAmount, toDecimal } from '../../../core/money/decimal.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { TypedField } from '../../../ui/TypedField.tsx';
import { RegionChoice } from '../../fields/choices/RegionChoice.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';
import { useRegions } from '../../page/use-regions.ts';

const farthestKm = 20_000;

/** What else is known of where a cart goes: region, how far from a pick-up place, home or business; and what carriers answer. */
export function DestinationDetails({
  cartId,
  cart,
  zone,
}: {
  cartId: string;
  cart: TestCart;
  zone: CompiledZone | undefined;
}) {
  const policy = usePolicy();
  const edit = useEdit();
  const { destination, quotes = {} } = cart;
  const regions = useRegions(destination.country);
  const places = inOrder(policy.places ?? {}).flatMap(([id, { name, coordinates }]) =>
    coordinates ? [{ id, name, coordinates }] : [],
  );
  const near =
    destination.coordinates && places.length > 0
      ? places.reduce((best, place) =>
          distanceKm(place.coordinates, destination.coordinates!) <
          distanceKm(best.coordinates, destination.coordinates!)
            ? place
            : best,
        )
      : undefined;
  const setDistance = (placeId: string, km: number) => {
    const place = places.find(({ id }) => id === placeId);
    edit(setDestinationPart(cartId, 'coordinates', place && northOf(place.coordinates, km)));
  };
  const carriers = [
    ...new Set([
      ...(zone ? zone.options.flatMap(({ option }) => carriersOf(option.charge)) : []),
      ...Object.keys(quotes),
    ]),
  ];
  const setQuote = (carrier: string, quote: number | null | undefined) => {
    const next = { ...quotes };
    if (quote === undefined) delete next[carrier];
    else next[carrier] = quote;
    edit(setCartPart(cartId, 'quotes', Object.keys(next).length > 0 ? next : undefined));
  };
  const currency = zone?.market.market.currency;
  return (
    <div
      className="mb-1 flex flex-wrap items-baseline gap-x-1 text-small [&_select]:min-h-6"
      data-testid="destination-details"
    >
      <span className="text-soft">more exactly to</span>
      <RegionChoice
        label="Region"
        value={destination.region}
        none="a region not known"
        told={locate(destination).destination.region}
        regions={regions}
        choose={(code) => edit(setDestinationPart(cartId, 'region', code))}
        testId="cart-region"
      />
      {places.length > 0 && (
        <>
          <span className="text-soft">,</span>
          <PhraseSelect
            label="Near"
            quiet={!near}
            value={near?.id ?? ''}
            options={[['', 'wherever it lies'], ...places.map(({ id, name }) => [id, `near ${name}`] as const)]}
            choose={(id) => setDistance(id, near ? distanceKm(near.coordinates, destination.coordinates!) : 5)}
            testId="cart-near"
          />
          {near && (
            <>
              <span className="text-soft">at</span>
              <TypedField
                label="Distance in km"
                shown={String(Math.round(distanceKm(near.coordinates, destination.coordinates!) * 100) / 100)}
                parse={(text) => {
                  const km = Number(text.replace(',', '.'));
                  return Number.isFinite(km) && km >= 0 && km <= farthestKm
                    ? { ok: true, value: km }
                    : { ok: false, reason: 'A distance in km.' };
                }}
                show={() => {}}
                commit={(km) => setDistance(near.id, km)}
                testId="cart-distance"
              />
              <span className="text-soft">km</span>
            </>
          )}
        </>
      )}
      <span className="text-soft">,</span>
      <PhraseSelect
        label="Home or business"
        quiet={destination.residential === undefined}
        value={destination.residential === undefined ? '' : String(destination.residential)}
        options={[
          ['', 'home or business'],
          ['true', 'a home'],
          ['false', 'a business'],
        ]}
        choose={(value) => edit(setDestinationPart(cartId, 'residential', value === '' ? undefined : value === 'true'))}
        testId="cart-residential"
      />
      {currency &&
        carriers.map((carrier) => (
          <span key={carrier} className="ml-3 inline-flex items-baseline gap-x-1">
            <span className="text-soft">carrier {carrier}</span>
            <PhraseSelect
              label={`Carrier ${carrier}`}
              quiet
              value={quotes[carrier] === undefined || quotes[carrier] === null ? 'down' : 'up'}
              options={[
                ['down', 'gives no answer'],
                ['up', 'quotes'],
              ]}
              choose={(state) => setQuote(carrier, state === 'up' ? 1000 : null)}
              testId={`carrier-${carrier}`}
            />
            {typeof quotes[carrier] === 'number' && (
              <TypedField
                label={`Quote of ${carrier}, ${currency}`}
                shown={toDecimal(quotes[carrier], currency)}
                parse={(text) => {
                  const amount = parseAmount(text, currency);
                  return amount.ok ? { ok: true, value: amount.minor } : { ok: false, reason: amount.reason };
                }}
                show={() => {}}
                commit={(quote) => setQuote(carrier, quote)}
              />
            )}
          </span>
        ))}
    </div>
  );
}
