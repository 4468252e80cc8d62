import { useCallback, useEffect, useMemo, useState } from 'react';
import { call } from '../../client/http.ts';
import { adoptRate } from '../../client/edits/market-edits.ts';
import { driftingAmounts } from '../../core/offers/drifting-amounts.ts';
import type { DayRate, RateHistory } from '../../core/money/rate-history.ts';
import { inOrder } from '../../core/ordered.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { GuardedEdits, useGuardedEdit } from '../page/use-edit.tsx';
import { DriftTable } from './DriftTable.tsx';
import { ImportRates } from './ImportRates.tsx';
import { RateSection } from './RateSection.tsx';
import { part } from '../page/parts.ts';

const spans: [days: string, words: string][] = [
  ['730', 'two years'],
  ['365', 'a year'],
  ['90', 'three months'],
  ['30', 'thirty days'],
];

/** Rates as they were, as they are adopted, and what amounts that rest on them have drifted by. */
export function Currencies({ marketId, feed: initialFeed }: { marketId: string; feed: string }) {
  const policy = usePolicy();
  const { locale } = useNotation();
  const { edit, refusal } = useGuardedEdit();
  const [rates, setRates] = useState<RateHistory>({});
  const [feed, setFeed] = useState(initialFeed);
  const [said, setSaid] = useState<{ wrong: boolean; text: string } | null>(null);
  const [read, setRead] = useState(false);
  const [span, setSpan] = useState('365');
  const [importing, setImporting] = useState(false);
  const base = policy.store.baseCurrency;
  const used = [...new Set(inOrder(policy.markets).map(([, { currency }]) => currency))].filter(
    (currency) => currency !== base,
  );
  const { currency, name } = policy.markets[marketId]!;
  const own = useMemo(() => lastDays(rates[currency] ?? [], Number(span)), [rates, currency, span]);
  const amounts = useMemo(() => driftingAmounts(policy, marketId), [policy, marketId]);

  const reload = useCallback(async () => {
    const answer = await call('GET /api/rates');
    if (answer.ok) setRates(answer.body.rates);
    setRead(true);
  }, []);
  useEffect(() => void reload(), [reload]);
  const fetchNow = async () => {
    const answer = await call('POST /api/rates/fetch');
    if (!answer.ok) return setSaid({ wrong: true, text: `${answer.problem.title}. ${answer.problem.detail}` });
    const { added, changed, newest } = answer.body;
    const age = newest ? Math.floor((Date.now() - Date.parse(`${newest}T00:00Z`)) / 86_400_000) : null;
    setSaid({
      wrong: age !== null && age > 4,
      text: `${added} new rates, ${changed} changed; the newest are of ${newest ?? 'no day'}${age !== null && age > 4 ? `, ${age} days ago: the feed is behind` : ''}. Nothing is adopted by that.`,
    });
    await reload();
  };
  const setMode = async (mode: string) => {
    const answer = await call('PUT /api/stand-ins/{name}', { params: { name: 'rate-feed' }, body: { mode } });
    if (answer.ok) setFeed(answer.body.mode);
  };
  return (
    <GuardedEdits edit={edit}>
      <section ref={part('currencies')} className="mt-3 border-t border-hairline pt-2" aria-label="Currencies">
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h2 className="text-title">Currencies</h2>
          <p className="flex flex-wrap items-baseline gap-x-3 text-small">
            <button type="button" className="btn btn-xs" onClick={() => void fetchNow()} data-testid="fetch-rates">
              Ask the rate feed
            </button>
            <button
              type="button"
              className="btn btn-xs"
              aria-expanded={importing}
              onClick={() => setImporting(!importing)}
            >
              Import rates
            </button>
            <span className="text-soft">
              The feed is simulated and{' '}
              <PhraseSelect
                label="Simulated rate feed"
                value={feed}
                options={[
                  ['works', 'works'],
                  ['stale', 'is nine days behind'],
                  ['down', 'is down'],
                ]}
                choose={(mode) => void setMode(mode)}
                testId="feed-mode"
              />
              .
            </span>
          </p>
        </div>
        {importing && <ImportRates imported={() => void reload()} />}
        {said && (
          <p role="status" className={`text-small ${said.wrong ? 'text-warning' : ''}`} data-testid="feed-said">
            {said.text}
          </p>
        )}
        {refusal}
        {used.length === 0 ? (
          <p className="text-soft">Every market sells in {base}.</p>
        ) : (
          <div className="overflow-x-auto">
            <table className="table table-xs w-auto mt-1" aria-label={`Rates: what one ${base} is`}>
              <thead>
                <tr className="border-b border-hairline text-left text-soft">
                  <th scope="col" className="py-1 pr-6 font-normal">
                    1 {base} is
                  </th>
                  <th scope="col" className="py-1 pr-6 text-right font-normal">
                    adopted
                  </th>
                  <th scope="col" className="py-1 pr-6 font-normal">
                    on
                  </th>
                  <th scope="col" className="py-1 pr-6 text-right font-normal">
                    newest
                  </th>
                  <th scope="col" className="py-1 pr-6 font-normal">
                    of
                  </th>
                  <th scope="col" className="py-1 pr-6 text-right font-normal">
                    differs by
                  </th>
                  <th scope="col">
                    <span className="sr-only">adopt the newest</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {used.map((code) => {
                  const adopted = policy.rates?.[code];
                  const newest = rates[code]?.at(-1);
                  const change = adopted && newest ? Number(newest.rate) / Number(adopted.rate) - 1 : null;
                  return (
                    <tr key={code} className="border-b border-hairline" data-testid={`rate-${code}`}>
                      <th scope="row" className="py-1 pr-6 text-left font-semibold">
                        {code}
                      </th>
                      <td className="pr-6 text-right">{adopted?.rate ?? 'none'}</td>
                      <td className="pr-6 text-soft">{adopted?.adoptedAt}</td>
                      <td className="pr-6 text-right">{newest?.rate ?? 'none known'}</td>
                      <td className="pr-6 text-soft">{newest?.day}</td>
                      <td className="pr-6 text-right">
                        {change === null
                          ? ''
                          : new Intl.NumberFormat(locale, {
                              style: 'percent',
                              minimumFractionDigits: 1,
                              maximumFractionDigits: 1,
                              signDisplay: 'exceptZero',
                            }).format(change)}
                      </td>
                      <td>
                        {newest && newest.rate !== adopted?.rate && (
                          <button
                            type="button"
                            className="btn btn-xs"
                            onClick={() => edit(adoptRate(code, newest.rate, newest.day))}
                            data-testid={`adopt-${code}`}
                          >
                            adopt
                          </button>
                        )}
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
          </div>
        )}
        {currency !== base && (
          <>
            <p className="mt-3 leading-7">
              <strong className="font-head">Drift in {name}</strong> over the last{' '}
              <PhraseSelect label="Time looked at" value={span} options={spans} choose={setSpan} testId="drift-span" />:
              what is promised there against what a shop enforces that converts at the day’s rate.
            </p>
            {own.length === 0 ? (
              <p className="text-soft">
                {read ? `No rates of ${currency} are known. Ask the rate feed, or import them.` : 'Reading rates …'}
              </p>
            ) : (
              <>
                <RateSection currency={currency} rates={own} adopted={policy.rates?.[currency]?.rate ?? null} />
                <DriftTable marketId={marketId} amounts={amounts} history={own} />
              </>
            )}
          </>
        )}
      </section>
    </GuardedEdits>
  );
}

/** The rates of the last days before the newest. */
function lastDays(rates: readonly DayRate[], days: number): DayRate[] {
  const newest = rates.at(-1);
  if (!newest) return [];
  const from = new Date(Date.parse(`${newest.day}T00:00Z`) - days * 86_400_000).toISOString().slice(0, 10);
  return rates.filter(({ day }) => day > from);
}
