import { useMemo, useState } from 'react';
import type { CompiledMarket } from '../../core/evaluation/compile.ts';
import { inOrder } from '../../core/ordered.ts';
import type { AreaMatch } from '../../core/geography/area.ts';
import { countryByName } from '../../core/geography/country-names.ts';
import { northOf } from '../../core/geography/distance.ts';
import { findMarket, zonesThere, type ZoneStanding } from '../../core/evaluation/find-zone.ts';
import { normalPostcode } from '../../core/geography/postcode.ts';
import type { Destination } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useCompiled, useNotation } from '../page/page-context.tsx';
import { countryName } from '../page/place-names.ts';
import { useRegions } from '../page/use-regions.ts';

/** A destination typed in, and the market and zone it falls into, with every zone that would have had it. */
export function WhereWouldThisGo() {
  const policy = usePolicy();
  const { locale } = useNotation();
  const compiled = useCompiled();
  const [countryText, setCountryText] = useState(policy.store.origin.country);
  const [region, setRegion] = useState('');
  const [postcode, setPostcode] = useState('');
  const [place, setPlace] = useState('');
  const [distance, setDistance] = useState('5');
  const country = countryByName(countryText);
  const regions = useRegions(country);
  const places = inOrder(policy.places ?? {}).flatMap(([id, { name, coordinates }]) =>
    coordinates ? [{ id, name, coordinates }] : [],
  );
  const km = Number(distance.replace(',', '.'));
  const around = places.find(({ id }) => id === place);
  const center = around?.coordinates;
  const destination = useMemo<Destination | null>(
    () =>
      country
        ? {
            country,
            postcode,
            ...(region && region.startsWith(country) ? { region } : {}),
            ...(center && Number.isFinite(km) && km >= 0 ? { coordinates: northOf(center, km) } : {}),
          }
        : null,
    [country, postcode, region, center, km],
  );
  const market = useMemo(() => destination && findMarket(compiled, destination), [compiled, destination]);
  const there = useMemo(
    () => (destination && market ? zonesThere(market, destination, normalPostcode(destination.postcode)) : []),
    [market, destination],
  );
  const winner = there.find(({ outcome }) => outcome === 'wins');
  return (
    <section
      className="mt-2 border-t border-hairline pt-2"
      aria-label="Where would this go?"
      data-testid="where-would-this-go"
    >
      <p className="leading-7">
        <strong className="font-head">Where would this go?</strong> To{' '}
        <input
          className="typed w-28 [field-sizing:content]"
          aria-label="Country, name or code"
          value={countryText}
          onChange={(event) => setCountryText(event.target.value)}
          data-testid="where-country"
        />
        {country && countryText.trim().length === 2 && (
          <span className="text-soft"> {countryName(country, locale)}</span>
        )}
        {country && (
          <>
            ,{' '}
            <PhraseSelect
              label="Region"
              quiet={region === ''}
              value={region}
              options={[['', 'any region'], ...regions.map(({ code, name }) => [code, name] as const)]}
              choose={setRegion}
              testId="where-region"
            />
          </>
        )}
        , postcode{' '}
        <input
          className="typed w-20 [field-sizing:content]"
          aria-label="Postcode"
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
                  className="typed w-12 text-right [field-sizing:content]"
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
          <Answer known={!!country} market={market} winner={winner} />
        </span>
      </p>
      {there.length > (winner ? 1 : 0) && (
        <ul className="ml-4 text-[13px] text-soft" data-testid="where-others">
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

function Answer({
  known,
  market,
  winner,
}: {
  /** there is such a country */
  known: boolean;
  market: CompiledMarket | null;
  winner: ZoneStanding | undefined;
}) {
  if (!known) return <span className="text-error">There is no such country.</span>;
  if (!market) return <strong className="text-warning">no market sells there; it cannot check out.</strong>;
  const { name } = market.market;
  if (!winner) return <strong className="text-warning">no zone of {name} covers it; it cannot check out.</strong>;
  return (
    <>
      <strong>{winner.zone.zone.name}</strong> in {name}, by {matchInWords(winner.match)}.
    </>
  );
}
