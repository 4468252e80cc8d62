import { useMemo } from 'react';
import { countryCodes } from '../../core/geography/country.ts';
import { EmptyStore } from '../frame/EmptyStore.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { GuardedEdits, useGuardedEdit } from '../page/use-edit.tsx';
import { useQuery } from '../page/use-query.ts';
import { AddMarket } from './AddMarket.tsx';
import { CoverageSection } from './CoverageSection.tsx';
import { Currencies } from './Currencies.tsx';
import { coverageOf, type Coverage } from './market-marks.ts';
import { MarketTerms } from './MarketTerms.tsx';
import { StoreSettings } from './StoreSettings.tsx';
import { WhereWouldThisGo } from './WhereWouldThisGo.tsx';
import { ZoneList } from './ZoneList.tsx';
import { part } from '../page/parts.ts';

/** Where the store sells, in which currency, and the zones inside. */
export function MarketsView({ query: initial, rateFeed }: { query: Record<string, string>; rateFeed: string }) {
  const policy = usePolicy();
  const [query, setQuery] = useQuery(initial);
  const coverage = useMemo(() => coverageOf(policy.markets), [policy.markets]);
  const marketId = policy.markets[query.market ?? ''] ? query.market! : (coverage.marks[0]?.id ?? null);
  const market = marketId === null ? null : policy.markets[marketId]!;
  const { edit, refusal } = useGuardedEdit();
  const choose = (id: string) => setQuery({ market: id, zone: '' });
  return (
    <GuardedEdits edit={edit}>
      <div className="px-5 py-3">
        <div ref={part('countries')} className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
          <h1 className="text-head leading-9">Markets</h1>
          <CoverageInWords coverage={coverage} />
        </div>
        {market === null && (
          <EmptyStore>
            <AddMarket first coverage={coverage} choose={choose} />
          </EmptyStore>
        )}
        <div className="mb-2 flex items-end gap-1">
          <ol className="flex max-h-24 min-w-0 flex-wrap gap-x-1 gap-y-0.5 overflow-y-auto" aria-label="Markets">
            {coverage.marks.map(({ id, name, number, tint }) => (
              <li key={id}>
                <button
                  type="button"
                  className="market-chip btn btn-ghost btn-xs"
                  aria-pressed={id === marketId}
                  data-tint={tint}
                  onClick={() => choose(id)}
                  data-testid={`market-${id}`}
                >
                  <span className="number">{number}</span> {name}{' '}
                  <span className="text-soft">{policy.markets[id]!.currency}</span>
                </button>
              </li>
            ))}
          </ol>
          {market && <AddMarket coverage={coverage} choose={choose} />}
        </div>
        <CoverageSection coverage={coverage} marketId={marketId} choose={choose}>
          {refusal}
        </CoverageSection>
        {market && marketId !== null && (
          <>
            <WhereWouldThisGo />
            <MarketTerms
              key={`terms-${marketId}`}
              marketId={marketId}
              market={market}
              gone={() => setQuery({ market: '', zone: '' })}
            />
            <ZoneList
              marketId={marketId}
              market={market}
              open={query.zone ?? ''}
              setOpen={(zone) => setQuery({ zone })}
            />
            <Currencies marketId={marketId} feed={rateFeed} />
          </>
        )}
        <StoreSettings />
      </div>
    </GuardedEdits>
  );
}

function CoverageInWords({ coverage: { named, marks, elsewhere } }: { coverage: Coverage }) {
  const rest = countryCodes.length - named.size;
  const countries = `${named.size} ${named.size === 1 ? 'country' : 'countries'} in ${marks.length} ${marks.length === 1 ? 'market' : 'markets'}`;
  return (
    <p className="text-soft" data-testid="coverage-in-words">
      {countries}; the other {rest}{' '}
      {elsewhere ? `go to ${elsewhere.name}.` : 'are in no market: nobody there can check out.'}
    </p>
  );
}
