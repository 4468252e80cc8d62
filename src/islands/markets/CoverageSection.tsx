import { useMemo, useState, type ReactNode } from 'react';
import { assignCountries } from '../../client/edits/market-edits.ts';
import { countryByName } from '../../core/geography/country-names.ts';
import { countryCodes } from '../../core/geography/country.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { countryName } from '../page/place-names.ts';
import { CoverageBoard } from './CoverageBoard.tsx';
import type { Coverage } from './market-marks.ts';
import { useAddMarket } from './use-add-market.ts';
import { useEdit } from '../page/use-edit.tsx';

/** The board with its search and what is said of the country looked at; what is looked at redraws nothing else. */
export function CoverageSection({
  coverage,
  marketId,
  choose,
  children,
}: {
  coverage: Coverage;
  marketId: string | null;
  choose: (market: string) => void;
  children: ReactNode;
}) {
  const edit = useEdit();
  const { markets } = usePolicy();
  const { locale } = useNotation();
  const market = marketId === null ? null : markets[marketId]!;
  const [search, setSearch] = useState('');
  const [looked, setLooked] = useState<string | null>(null);
  const found = useMemo(() => findCountries(search, locale), [search, locale]);
  const first = found ? [...found][0] : undefined;
  const assign = (countries: readonly string[], out: boolean) => {
    if (marketId !== null) edit(assignCountries(countries, out ? null : marketId));
    else makeMarket(countries);
  };
  const addMarketOf = useAddMarket(choose);
  const makeMarket = (countries: readonly string[]) => addMarketOf(countries) && setSearch('');
  const whatToDo = market
    ? `Click a country to give it to ${market.name}, or to take it out; drag over several.`
    : 'Click a country to make it a market of its own.';
  const hint = looked ? `${countryName(looked, locale)}: ${whose(coverage, looked)}` : whatToDo;
  return (
    <>
      <CoverageBoard
        coverage={coverage}
        marketId={marketId}
        locale={locale}
        found={found}
        assign={assign}
        look={setLooked}
      />
      {children}
      <div className="mt-1 flex min-h-8 flex-wrap items-center gap-x-4 gap-y-1 text-small">
        <label className="inline-flex items-center gap-2">
          <span className="sr-only">Find a country</span>
          <input
            className="field"
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
              <button
                type="button"
                className="btn btn-xs"
                onClick={() => makeMarket([first])}
                data-testid="make-market"
              >
                Make it a market of its own
              </button>
            )}
          </>
        ) : (
          <span className="text-soft" aria-hidden={!found}>
            {found ? 'No country of that name.' : hint}
          </span>
        )}
      </div>
    </>
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
