import { useCallback, useState } from 'react';
import { readRulesOfMarket } from '../../../client/orders/reading/reading-client.ts';
import type { FoundRules } from '../../../client/orders/reading/reading.worker.ts';
import type { TellShare } from '../../../client/orders/reading/sometimes.ts';
import { optionTitle } from '../../../core/options/option-title.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { countryName } from '../../page/place-names.ts';
import { wordsFor } from '../words.ts';
import { Proposal } from './Proposal.tsx';
import { ReadingProgress } from './ReadingProgress.tsx';
import { UnlikeOrders } from './UnlikeOrders.tsx';
import { ruleWords } from './rule-in-words.ts';
import { shareWords } from './share-words.ts';
import { useReading } from './use-reading.ts';

const what = 'Reading from the orders how they were charged';

/** What the orders of a market say of its rules by themselves, read when it is asked for. */
export function RulesRead({ marketId, currency }: { marketId: string; currency: string }) {
  const [asked, setAsked] = useState(false);
  if (!asked)
    return (
      <button type="button" className="btn mt-1 btn-xs" onClick={() => setAsked(true)} data-testid="read-market">
        Read the rules from its orders
      </button>
    );
  return <Read marketId={marketId} currency={currency} />;
}

function useRulesOf(marketId: string, currency: string) {
  const begin = useCallback((tell: TellShare) => readRulesOfMarket(marketId, currency, tell), [marketId, currency]);
  return useReading<FoundRules>(begin);
}

function Read({ marketId, currency }: { marketId: string; currency: string }) {
  const policy = usePolicy();
  const notation = useNotation();
  const { reading, stop, again } = useRulesOf(marketId, currency);
  if (reading.state !== 'found') return <ReadingProgress what={what} reading={reading} stop={stop} again={again} />;
  const { locale } = notation;
  const { count } = wordsFor(locale);
  const words = ruleWords(notation, currency);
  const { proposals } = reading.found;
  return (
    <div className="mt-2" data-testid="rules-read">
      <h3 className="font-semibold">What its orders say by themselves</h3>
      {proposals.map(({ market, options, goals, areas, codes }) => (
        <div key={market.countries.join()} className="mt-1">
          <p>
            {proposals.length > 1 && `${market.countries.map((code) => countryName(code, locale)).join(', ')}: `}
            {shareWords(locale)(market.explained / Math.max(1, market.orders))} of {count(market.orders)} orders are
            charged just so:
          </p>
          <ul className="list-disc pl-6">
            {options.map(({ option, now, before }) => (
              <li key={option}>
                {optionTitle(policy, option)}: {words.prices(now.rule)}
                {before.length > 0 && <span className="text-soft"> — before, {words.before(before)}</span>}
              </li>
            ))}
            {goals.map(({ from, options: by }) => (
              <li key={from}>
                free from {words.money(from)}
                {by.length < options.length && ` by ${by.map((option) => optionTitle(policy, option)).join(', ')}`}
              </li>
            ))}
            {areas.map(({ parts, more, orders }) => (
              <li key={JSON.stringify(parts)}>
                {parts.map(words.part).join('; ')}: {count(orders)} orders pay{' '}
                {more === null
                  ? 'by rules of their own'
                  : `${words.money(Math.abs(more))} ${more > 0 ? 'more' : 'less'}`}
              </li>
            ))}
            {codes.map(({ code, orders }) => (
              <li key={code}>
                {code} makes delivery free: {count(orders)} orders
              </li>
            ))}
          </ul>
          <UnlikeOrders unlike={market.unlike} words={words} ofAll={market.orders} />
        </div>
      ))}
      {proposals.length === 0 && <p className="text-soft">None of its orders says what delivery cost.</p>}
    </div>
  );
}

/** A market with orders and without options: how it charges is read at once, and proposed. */
export function RulesForMarket({ marketId, name, currency }: { marketId: string; name: string; currency: string }) {
  const { reading, stop, again } = useRulesOf(marketId, currency);
  const silent = reading.state === 'found' && reading.found.proposals.every(({ options }) => options.length === 0);
  return (
    <section
      aria-label="Rules from orders"
      className="my-2 border-l-2 border-primary pl-3"
      data-testid="rules-for-market"
    >
      <p>
        {name} has no delivery option yet
        {silent ? ', and its orders do not say what delivery cost.' : '. Its orders say how they were charged:'}
      </p>
      {reading.state !== 'found' && <ReadingProgress what={what} reading={reading} stop={stop} again={again} />}
      {reading.state === 'found' && !silent && <Proposal found={reading.found} into={{ id: marketId, name }} />}
    </section>
  );
}
