import { useState } from 'react';
import { addAreaPart, removeAreaPart } from '../../client/edits/market-edits.ts';
import { setAt } from '../../client/edits/set-at.ts';
import { inOrder } from '../../core/ordered.ts';
import type { AreaPart, Market, Policy, Zone } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { Remove } from '../../ui/Remove.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { GuardedEdits, useGuardedEdit } from '../page/use-edit.tsx';
import { EditedField } from '../fields/EditedField.tsx';
import { countryName } from '../page/place-names.ts';
import { useRegions } from '../page/use-regions.ts';
import { PastePostcodes, PostcodePatterns } from './Postcodes.tsx';
import { parseNumber } from '../fields/typed-text.ts';

type Side = 'include' | 'exclude';

/** What a zone takes in, or leaves out, part by part. */
export function AreaEditor({ zoneId, zone, market, side }: { zoneId: string; zone: Zone; market: Market; side: Side }) {
  const policy = usePolicy();
  const { edit, refusal } = useGuardedEdit();
  const [pasting, setPasting] = useState(false);
  const parts = Object.entries(zone.area[side] ?? {});
  const country = market.countries[0] ?? policy.store.origin.country;
  const add = (part: AreaPart) => edit(addAreaPart(zoneId, side, part));
  const place = inOrder(policy.places ?? {}).find(([, { coordinates }]) => coordinates)?.[1].coordinates;
  const words = side === 'include' ? 'Takes in' : 'Leaves out';
  return (
    <div className="mb-1" data-testid={`area-${side}`}>
      <p className="leading-7 text-soft">
        {words}
        {parts.length === 0 && ' nothing'}
      </p>
      {refusal}
      <ul className="ml-4">
        {parts.map(([id, part]) => (
          <li key={id} className="flex flex-wrap items-baseline gap-x-2 leading-7">
            <Part zoneId={zoneId} side={side} partId={id} part={part} market={market} policy={policy} />
            {(side === 'exclude' || parts.length > 1) && (
              <Remove what={`this part of ${zone.name}`} remove={() => edit(removeAreaPart(zoneId, side, id))} />
            )}
          </li>
        ))}
      </ul>
      <p className="ml-4 flex flex-wrap gap-x-1 text-small">
        <span className="self-center text-soft">{side === 'include' ? 'Take in' : 'Leave out'}</span>
        {side === 'include' && !parts.some(([, { kind }]) => kind === 'wholeMarket') && (
          <button type="button" className="btn btn-xs" onClick={() => add({ kind: 'wholeMarket' })}>
            the whole market
          </button>
        )}
        <button type="button" className="btn btn-xs" onClick={() => add({ kind: 'country', country })}>
          a country
        </button>
        <RegionButton country={country} add={add} />
        <button
          type="button"
          className="btn btn-xs"
          onClick={() => setPasting(!pasting)}
          aria-expanded={pasting}
          data-testid={`paste-${side}`}
        >
          postcodes
        </button>
        <button
          type="button"
          className="btn btn-xs"
          onClick={() =>
            add({ kind: 'radius', center: place ?? { latitude: 52, longitude: 5 }, distance: 10, unit: 'km' })
          }
        >
          a distance around a point
        </button>
      </p>
      {pasting && (
        <PastePostcodes
          side={side}
          countries={market.countries.length > 0 ? market.countries : [country]}
          accept={(of, patterns) => {
            setPasting(false);
            add({
              kind: 'postcodes',
              country: of,
              patterns: Object.fromEntries(patterns.map((pattern) => [pattern, true as const])),
            });
          }}
        />
      )}
    </div>
  );
}

/** The regions of a country are asked for before one is put in. */
function RegionButton({ country, add }: { country: string; add: (part: AreaPart) => void }) {
  const regions = useRegions(country);
  return (
    <button
      type="button"
      className="btn btn-xs"
      disabled={regions.length === 0}
      onClick={() => add({ kind: 'region', region: regions[0]!.code })}
    >
      a region
    </button>
  );
}

function Part({
  zoneId,
  side,
  partId,
  part,
  market,
  policy,
}: {
  zoneId: string;
  side: Side;
  partId: string;
  part: AreaPart;
  market: Market;
  policy: Policy;
}) {
  const { locale } = useNotation();
  const { edit, refusal } = useGuardedEdit();
  const at = (...steps: string[]) => ['zones', zoneId, 'area', side, partId, ...steps];
  const countries = (selected: string) =>
    [...new Set([...market.countries, selected])].map((code) => [code, countryName(code, locale)] as const);
  switch (part.kind) {
    case 'wholeMarket':
      return <span>the whole market</span>;
    case 'country':
      return (
        <span>
          all of{' '}
          <PhraseSelect
            label="Country"
            value={part.country}
            options={countries(part.country)}
            choose={(code) => edit(setAt(at('country'), code))}
          />
          {refusal}
        </span>
      );
    case 'region':
      return (
        <RegionPart
          region={part.region}
          countries={countries(part.region.slice(0, 2))}
          choose={(region) => edit(setAt(at('region'), region))}
        />
      );
    case 'postcodes':
      return (
        <span>
          postcodes in{' '}
          <PhraseSelect
            label="Country"
            value={part.country}
            options={countries(part.country)}
            choose={(code) => edit(setAt(at('country'), code))}
          />
          {refusal}
          <PostcodePatterns
            zoneId={zoneId}
            side={side}
            partId={partId}
            country={part.country}
            patterns={part.patterns}
          />
        </span>
      );
    case 'radius': {
      const number = (label: string, value: number, least: number, most: number, ...steps: string[]) => (
        <EditedField
          label={label}
          shown={String(value)}
          parse={parseNumber(least, most)}
          change={(next) => setAt(at(...steps), next)}
          live
          align="right"
        />
      );
      const places = inOrder(policy.places ?? {}).flatMap(([id, { name, coordinates }]) =>
        coordinates ? [{ id, name, coordinates }] : [],
      );
      const around =
        places.find(
          ({ coordinates: { latitude, longitude } }) =>
            latitude === part.center.latitude && longitude === part.center.longitude,
        )?.id ?? '';
      return (
        <GuardedEdits edit={edit}>
          <span>
            up to {number('Distance', part.distance, 0.001, 20_040, 'distance')}{' '}
            <PhraseSelect
              label="Unit"
              value={part.unit}
              options={[
                ['km', 'km'],
                ['mi', 'miles'],
              ]}
              choose={(unit) => edit(setAt(at('unit'), unit))}
            />{' '}
            around{' '}
            {places.length > 0 && (
              <PhraseSelect
                label="Around"
                value={around}
                options={[['', 'the point'], ...places.map(({ id, name }) => [id, name] as const)]}
                choose={(id) => id && edit(setAt(at('center'), places.find((place) => place.id === id)!.coordinates))}
              />
            )}{' '}
            {number('Latitude', part.center.latitude, -90, 90, 'center', 'latitude')}° north,{' '}
            {number('Longitude', part.center.longitude, -180, 180, 'center', 'longitude')}° east
            {refusal}
          </span>
        </GuardedEdits>
      );
    }
  }
}

function RegionPart({
  region,
  countries,
  choose,
}: {
  region: string;
  countries: readonly (readonly [string, string])[];
  choose: (region: string) => void;
}) {
  const [country, setCountry] = useState(region.slice(0, 2));
  const regions = useRegions(country);
  const known = regions.some(({ code }) => code === region);
  return (
    <span>
      the region{' '}
      <PhraseSelect
        label="Region"
        value={known ? region : ''}
        options={[
          ...(known ? [] : [['', regions.length > 0 ? 'choose one' : region] as const]),
          ...regions.map(({ code, name }) => [code, `${name} (${code})`] as const),
        ]}
        choose={(code) => code && choose(code)}
        testId="region-phrase"
      />{' '}
      in <PhraseSelect label="Country of the region" value={country} options={countries} choose={setCountry} />
    </span>
  );
}
