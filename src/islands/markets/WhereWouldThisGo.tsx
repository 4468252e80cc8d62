import { useMemo, useState } from 'react';
import type { CompiledMarket } from '../../core/evaluation/compile.ts';
import { inOrder } from '../../core/ordered.ts';
import type { AreaMatch } from '../../core/geography/area.ts';
import { northOf } from '../../core/geography/distance.ts';
import { findMarket, zonesThere, type ZoneStanding } from '../../core/evaluation/find-zone.ts';
import { locate } from '../../core/geography/postcode-regions/region-of-postcode.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { CountryChoice } from '../fields/choices/CountryChoice.tsx';
import { RegionChoice } from '../fields/choices/RegionChoice.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useCompiled } from '../page/page-context.tsx';
import { useRegions } from '../page/use-regions.ts';
import { part } from '../page/parts.ts';

/** A destination typed in, and the market and zone it falls into, with every zone that would have had it. */
export function WhereWouldThisGo() {
  const policy = usePolicy();
  const compiled = useCompiled();
  const [country, setCountry] = useState(policy.store.origin.country);
  const [region, setRegion] = useState<string>();
  const [postcode, setPostcode] = useState('');
  const [place, setPlace] = useState('');
  const [distance, setDistance] = useState('5');
  const regions = useRegions(country);
  const places = inOrder(policy.places ?? {}).flatMap(([id, { name, coordinates }]) =>
    coordinates ? [{ id, name, coordinates }] : [],
  );
  const km = Number(distance.replace(',', '.'));
  const around = places.find(({ id }) => id === place);
  const center = around?.coordinates;
  const stated = region?.startsWith(country) ? region : undefined;
  const where = useMemo(
    () =>
      locate({
        country,
        postcode,
        ...(stated === undefined ? {} : { region: stated }),
        ...(center && Number.isFinite(km) && km >= 0 ? { coordinates: northOf(center, km) } : {}),
      }),
    [country, postcode, stated, center, km],
  );
  const market = useMemo(() => findMarket(compiled, where.destination), [compiled, where]);
  const there = useMemo(() => (market ? zonesThere(market, where.destination, where.postcode) : []), [market, where]);
  const winner = there.find(({ outcome }) => outcome === 'wins');
  return (
    <section
      ref={part('where would this go')}
      className="mt-2 border-t border-hairline pt-2"
      aria-label="Where would this go?"
      data-testid="where-would-this-go"
    >
      <p className="leading-7">
        <strong className="font-head">Where would this go?</strong> To{' '}
        <CountryChoice
          label="Country"
          value={country}
          first={inOrder(policy.markets).flatMap(([, { countries }]) => countries)}
          choose={(code) => code && setCountry(code)}
          testId="where-country"
        />
        ,{' '}
        <RegionChoice
          label="Region"
          value={stated}
          none="any region"
          told={where.destination.region}
          regions={regions}
          choose={setRegion}
          testId="where-region"
        />
        , postcode{' '}
        <input
          className="field"
          aria-label="Postcode"
          placeholder="any"
          value={postcode}
          onChange={(event) => setPostcode(event.target.value)}
          data-testid="where-postcode"
        />
        {places.length > 0 && (
          <>
            ,{' '}
            <PhraseSelect
              label="Near"
              quiet={place === ''}
              value={place}
              options={[['', 'wherever it lies'], ...places.map(({ id, name }) => [id, `near ${name}`] as const)]}
              choose={setPlace}
              testId="where-place"
            />
            {place !== '' && (
              <>
                {' '}
                at{' '}
                <input
                  className="field text-right"
                  aria-label="Distance in km"
                  inputMode="decimal"
                  value={distance}
                  onChange={(event) => setDistance(event.target.value)}
                  data-testid="where-distance"
                />{' '}
                km
              </>
            )}
          </>
        )}
        :{' '}
        <span aria-live="polite" data-testid="where-answer">
          <Answer market={market} winner={winner} />
        </span>
      </p>
      {there.length > (winner ? 1 : 0) && (
        <ul className="ml-4 text-small text-soft" data-testid="where-others">
          {there
            .filter((standing) => standing !== winner)
            .map((standing) => (
              <li key={standing.zone.id}>
                {standing.zone.zone.name} {whyNot(standing)}
              </li>
            ))}
        </ul>
      )}
    </section>
  );
}

function matchInWords({ kind, pattern }: AreaMatch): string {
  switch (kind) {
    case 'wholeMarket':
      return 'taking in the whole market';
    case 'country':
      return 'its country';
    case 'region':
      return 'its region';
    case 'radius':
      return 'its distance';
    case 'postcodes':
      return `the postcode ${pattern!.replace('..', ' to ')}`;
  }
}

function whyNot({ match, outcome }: ZoneStanding): string {
  const has = `would have it by ${matchInWords(match)}`;
  if (outcome === 'excluded') return `${has}, but leaves it out.`;
  return outcome === 'later' ? `${has} just as well, but is listed later.` : `${has}, which is less specific.`;
}

function Answer({ market, winner }: { market: CompiledMarket | null; winner: ZoneStanding | undefined }) {
  if (!market) return <strong className="text-warning">no market sells there; it cannot check out.</strong>;
  const { name } = market.market;
  if (!winner) return <strong className="text-warning">no zone of {name} covers it; it cannot check out.</strong>;
  return (
    <>
      <strong>{winner.zone.zone.name}</strong> in {name}, by {matchInWords(winner.match)}.
    </>
  );
}
