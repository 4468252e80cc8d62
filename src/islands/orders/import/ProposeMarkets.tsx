import { useEffect, useMemo, useState } from 'react';
import { addProposedMarkets } from '../../../client/edits/market-edits.ts';
import { proposeFromFile } from '../../../client/orders/propose-from-file.ts';
import type { ImportMapping } from '../../../core/imports/mapping.ts';
import type { MarketProposal } from '../../../core/imports/propose-markets.ts';
import { useNotation } from '../../page/page-context.tsx';
import { countryName } from '../../page/place-names.ts';
import { useGuardedEdit } from '../../page/use-edit.tsx';
import { marketName } from '../market-name.ts';
import { wordsFor } from '../words.ts';
import { Alert } from '../../../ui/Alert.tsx';

/** A store without markets: those that a file's countries and currencies ask for are proposed, and made in one edit. */
export function ProposeMarkets({ file, mapping }: { file: File; mapping: ImportMapping }) {
  const { locale } = useNotation();
  const { count } = wordsFor(locale);
  const { edit, refusal } = useGuardedEdit();
  const { encoding, delimiter, columns } = mapping;
  const { country, currency } = columns;
  // Of each correction of the mapping only these parts matter here.
  const read = useMemo(
    () => ({
      encoding,
      delimiter,
      columns: { ...(country === undefined ? {} : { country }), ...(currency === undefined ? {} : { currency }) },
    }),
    [encoding, delimiter, country, currency],
  );
  const [found, setFound] = useState<MarketProposal | 'unreadable' | null>(null);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  useEffect(() => {
    setFound(null);
    const stop = new AbortController();
    proposeFromFile(file, read, stop.signal).then(
      (proposal) => !stop.signal.aborted && setFound(proposal),
      () => !stop.signal.aborted && setFound('unreadable'),
    );
    return () => stop.abort();
  }, [file, read]);
  if (country === undefined)
    return (
      <p className="mt-2 text-warning">
        The store has no market yet. Say which column holds the country, and markets are proposed from it.
      </p>
    );
  if (found === 'unreadable') return <Alert>The file could not be read to its end. Choose it again.</Alert>;
  if (!found)
    return (
      <p role="status" className="mt-2 text-soft">
        Looking for countries and currencies in the file …
      </p>
    );
  const nameOf = (codes: readonly string[]) => marketName(codes.map((code) => countryName(code, locale)));
  const wanted = found.markets.filter((market) => !left.has(market.currency));
  const toggle = (of: string) =>
    setLeft((before) => new Set(before.has(of) ? [...before].filter((other) => other !== of) : [...before, of]));
  return (
    <div className="mt-2 border-l-2 border-primary pl-3" data-testid="proposed-markets">
      <p>
        The store has no market yet. {count(found.rows)} rows of this file ask for these; each can be changed at
        Markets.
      </p>
      {refusal}
      <ul>
        {found.markets.map((market) => (
          <li key={market.currency}>
            <label className="inline-flex items-baseline gap-2">
              <input
                type="checkbox"
                className="checkbox checkbox-xs"
                checked={!left.has(market.currency)}
                onChange={() => toggle(market.currency)}
              />
              <span>
                <strong>{nameOf(market.countries)}</strong> in {market.currency}
                <span className="text-soft">
                  : {market.countries.map((code) => countryName(code, locale)).join(', ')}; {count(market.orders)} rows
                </span>
              </span>
            </label>
          </li>
        ))}
      </ul>
      {found.markets.length === 0 && <p className="text-warning">No country was found in that column.</p>}
      {found.unknown.length > 0 && <p className="text-soft">No country: {found.unknown.join(', ')}.</p>}
      <button
        type="button"
        className="btn btn-primary btn-sm my-1"
        disabled={wanted.length === 0}
        onClick={() => edit(addProposedMarkets(wanted, nameOf))}
        data-testid="make-proposed"
      >
        Make {wanted.length === 1 ? 'this market' : `these ${wanted.length} markets`}
      </button>
    </div>
  );
}
