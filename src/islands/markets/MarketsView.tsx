import { useMemo, useState } from 'react';
import { addMarket, assignCountries } from '../../client/market-edits.ts';
import { countryByName } from '../../core/places/country-names.ts';
import { countryCodes } from '../../core/places/country.ts';
import { usePage, usePolicy } from '../frame/page-context.tsx';
import { countryName } from '../frame/place-names.ts';
import { useGuardedEdit } from '../frame/use-guarded-edit.tsx';
import { useQuery } from '../frame/use-query.ts';
import { CoverageBoard } from './CoverageBoard.tsx';
import { Currencies } from './Currencies.tsx';
import { coverageOf, type Coverage } from './market-marks.ts';
import { MarketTerms } from './MarketTerms.tsx';
import { WhereWouldThisGo } from './WhereWouldThisGo.tsx';
import { ZoneList } from './ZoneList.tsx';

/** Where the store sells, in which currency, and the zones inside. */
export function MarketsView({ query: initial, rateFeed }: { query: Record<string, string>; rateFeed: string }) {
  const policy = usePolicy();
  const { locale } = usePage();
  const [query, setQuery] = useQuery(initial);
  const coverage = useMemo(() => coverageOf(policy.markets), [policy.markets]);
  const marketId = policy.markets[query.market ?? ''] ? query.market! : (coverage.marks[0]?.id ?? null);
  const market = marketId === null ? null : policy.markets[marketId]!;
  const [search, setSearch] = useState('');
  const [looked, setLooked] = useState<string | null>(null);
  const { edit, refusal } = useGuardedEdit();
  const found = useMemo(() => findCountries(search, locale), [search, locale]);
  const first = found ? [...found][0] : undefined;

  const assign = (countries: readonly string[], out: boolean) => {
    if (marketId !== null) edit(assignCountries(countries, out ? null : marketId));
  };
  const makeMarket = (code: string) => {
    const name = countryName(code, locale);
    if (edit(addMarket(code, name))) setSearch('');
  };
  return (
    <div className="px-5 py-3">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
        <h1 className="text-[22px] leading-9">Markets</h1>
        <CoverageInWords coverage={coverage} />
      </div>
      <ol className="mb-2 flex max-h-24 flex-wrap gap-x-1 gap-y-0.5 overflow-y-auto" aria-label="Markets">
        {coverage.marks.map(({ id, name, number, tint }) => (
          <li key={id}>
            <button type="button" className="market-chip" aria-pressed={id === marketId} data-tint={tint} onClick={() => setQuery({ market: id, zone: '' })} data-testid={`market-${id}`}>
              <span className="number">{number}</span> {name} <span className="text-soft">{policy.markets[id]!.currency}</span>
            </button>
          </li>
        ))}
      </ol>
      <CoverageBoard coverage={coverage} marketId={marketId} locale={locale} found={found} assign={assign} look={setLooked} />
      {refusal}
      <div className="mt-1 flex min-h-8 flex-wrap items-center gap-x-4 gap-y-1 text-[13px]">
        <label className="inline-flex items-center gap-2">
          <span className="sr-only">Find a country</span>
          <input
            className="typed w-52"
            type="search"
            placeholder="Find a country"
            value={search}
            onChange={(event) => setSearch(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' && first) assign([first], false);
            }}
            data-testid="find-country"
          />
        </label>
        {found && first ? (
          <>
            <span>
              {countryName(first, locale)}
              {found.size > 1 && ` and ${found.size - 1} more`}: {whose(coverage, first)}
            </span>
            {market && coverage.named.get(first)?.id !== marketId && (
              <button type="button" className="btn btn-xs" onClick={() => assign([first], false)}>
                Give it to {market.name}
              </button>
            )}
            {!coverage.named.has(first) && (
              <button type="button" className="btn btn-xs" onClick={() => makeMarket(first)} data-testid="make-market">
                Make it a market of its own
              </button>
            )}
          </>
        ) : found ? (
          <span className="text-soft">No country of that name.</span>
        ) : (
          <span className="text-soft" aria-hidden>
            {looked ? `${countryName(looked, locale)}: ${whose(coverage, looked)}` : market ? `Click a country to give it to ${market.name}, or to take it out; drag over several.` : 'Find a country and make it a market.'}
          </span>
        )}
      </div>
      <WhereWouldThisGo />
      {market && marketId !== null && (
        <>
          <MarketTerms key={`terms-${marketId}`} marketId={marketId} market={market} gone={() => setQuery({ market: '', zone: '' })} />
          <ZoneList marketId={marketId} market={market} open={query.zone ?? ''} setOpen={(zone) => setQuery({ zone })} />
          <Currencies marketId={marketId} feed={rateFeed} />
        </>
      )}
    </div>
  );
}

function CoverageInWords({ coverage: { named, marks, elsewhere } }: { coverage: Coverage }) {
  const rest = countryCodes.length - named.size;
  const countries = `${named.size} ${named.size === 1 ? 'country' : 'countries'} in ${marks.length} ${marks.length === 1 ? 'market' : 'markets'}`;
  return (
    <p className="text-soft" data-testid="coverage-in-words">
      {countries}; the other {rest} {elsewhere ? `go to ${elsewhere.name}.` : 'are in no market: nobody there can check out.'}
    </p>
  );
}

function whose({ named, elsewhere }: Coverage, code: string): string {
  const mark = named.get(code);
  if (mark) return mark.name;
  return elsewhere ? `${elsewhere.name}, with all others` : 'in no market';
}

/** Countries whose name or code begins with what is typed, then those that have it in their name; null for nothing typed. */
function findCountries(text: string, locale: string): Set<string> | null {
  const wanted = text.trim().toLocaleLowerCase(locale);
  if (wanted === '') return null;
  const exact = countryByName(text);
  const names = countryCodes.map((code) => ({ code, name: countryName(code, locale).toLocaleLowerCase(locale) }));
  const begins = names.filter(({ name, code }) => name.startsWith(wanted) || code.toLowerCase() === wanted);
  const has = names.filter(({ name }) => name.includes(wanted));
  return new Set([...(exact ? [exact] : []), ...begins.map(({ code }) => code), ...has.map(({ code }) => code)]);
}
