import { memo, useCallback, useState } from 'react';
import { compareWithRules } from '../../../client/orders/reading/reading-client.ts';
import type { TellShare } from '../../../client/orders/reading/sometimes.ts';
import type { ChargedOrders } from '../../../core/charged/charged-orders.ts';
import type { Disagreement } from '../../../core/charged/disagreements.ts';
import { compilePolicy, sameRules } from '../../../core/evaluation/compile.ts';
import { optionTitle } from '../../../core/options/option-title.ts';
import type { Policy } from '../../../core/policy/types.ts';
import type { DatedStep } from '../../../core/results/changes-of-market.ts';
import { WhenSeen } from '../../../ui/chart/WhenSeen.tsx';
import { reasonOfOrder } from '../../findings/reason-of-order.ts';
import { useDraft, usePolicy } from '../../page/draft-context.tsx';
import { useNotation, useRelease } from '../../page/page-context.tsx';
import { part } from '../../page/parts.ts';
import { wordsFor } from '../words.ts';
import { OrderAtRehearse } from './OrderAtRehearse.tsx';
import { ReadingProgress } from './ReadingProgress.tsx';
import { RulesRead } from './RulesRead.tsx';
import { ruleWords } from './rule-in-words.ts';
import { shareWords } from './share-words.ts';
import { useReading } from './use-reading.ts';

/** px */
const height = 150;

interface Asked {
  marketId: string;
  /** what releases changed, newest first */
  steps: readonly DatedStep[];
  /** of the newest order, days since 1970-01-01 */
  lastDay: number;
}

/** Where the past orders of a market were charged otherwise than the rules of their day say. */
export const OrdersAndRules = memo(function OrdersAndRules(props: Asked) {
  return (
    <section
      ref={part('orders and rules')}
      aria-label="Orders and rules"
      className="mt-4 border-t border-hairline pt-2"
      data-testid="orders-and-rules"
    >
      <h2 className="text-lead">Orders and rules</h2>
      <WhenSeen height={height} label="orders and rules">
        {() => <Compared {...props} />}
      </WhenSeen>
    </section>
  );
});

/** Releases are read one by one; older ones than these are not. */
const mostReleases = 40;

function Compared({ marketId, steps, lastDay }: Asked) {
  const { markets, store } = usePolicy();
  const { currency } = markets[marketId]!;
  const { timeZone } = store;
  const release = useRelease();
  const sameHere = useCallback((a: Policy, b: Policy) => sameRulesIn(marketId, a, b), [marketId]);
  const settled = useDraft((state) => state.settled, sameHere);
  // Rules that none of the orders can have been charged by say nothing of them: then it is the draft, as it stands.
  const since = steps.at(-1)?.day ?? Infinity;
  const draft = release && since <= lastDay ? null : settled;
  const begin = useCallback(
    (tell: TellShare) => {
      const releases = [...steps]
        .filter(({ first, offers, others }) => first || offers.length + others > 0)
        .slice(0, mostReleases)
        .reverse()
        .map(({ number, day }) => ({ number, day }));
      return compareWithRules({ market: marketId, currency, timeZone, releases, draft }, tell);
    },
    [marketId, currency, timeZone, steps, draft],
  );
  const { reading, stop, again } = useReading<ChargedOrders>(begin);
  if (reading.state !== 'found')
    return (
      <ReadingProgress
        what="Comparing what orders were charged with the rules"
        reading={reading}
        stop={stop}
        again={again}
      />
    );
  return <Found marketId={marketId} currency={currency} found={reading.found} byDraft={draft !== null} />;
}

/** Whether two policies charge the same in a market: what else is edited leaves the comparison as it is. */
function sameRulesIn(marketId: string, a: Policy, b: Policy): boolean {
  const [these, those] = [a, b].map((policy) => compilePolicy(policy).markets.get(marketId)?.zones ?? []);
  if (a.experiments !== b.experiments || a.store.timeZone !== b.store.timeZone) return false;
  return these!.length === those!.length && these!.every((zone, i) => sameRules(zone, those![i]!));
}

const shownFirst = 4;

function Found({
  marketId,
  currency,
  found,
  byDraft,
}: {
  marketId: string;
  currency: string;
  found: ChargedOrders;
  /** there were no released rules in their time */
  byDraft: boolean;
}) {
  const { locale } = useNotation();
  const { count } = wordsFor(locale);
  const [all, setAll] = useState(false);
  const { compared, agree, before, left, groups, others } = found;
  const shown = all ? groups : groups.slice(0, shownFirst);
  const apart = [
    byDraft && 'None came after a release',
    before > 0 && `${count(before)} came before the first release that is looked at`,
    left > 0 && `Of ${count(left)} it is not known what delivery cost, by what it came or what its carrier said`,
  ].filter(Boolean);
  return (
    <div data-testid="orders-compared">
      <p>
        {compared === 0 ? (
          'No order is known well enough to be compared.'
        ) : (
          <>
            {agree === compared ? 'All' : shareWords(locale)(agree / compared)} of {count(compared)} orders were charged
            what {byDraft ? 'the draft' : 'the rules of their day'} would charge.
          </>
        )}{' '}
        <span className="text-soft">
          {apart.map((said) => `${said}. `)}
          Each is looked at as one article of its value, weight and pieces.
        </span>
      </p>
      {groups.length > 0 && (
        <ul className="mt-1">
          {shown.map((group) => (
            <Row
              key={JSON.stringify([group.option, group.verdict, group.because, group.expected, group.charged])}
              {...{ marketId, currency, group }}
            />
          ))}
        </ul>
      )}
      <p className="flex flex-wrap items-baseline gap-x-3">
        {groups.length > shownFirst && (
          <button type="button" className="btn btn-xs" onClick={() => setAll(!all)}>
            {all ? 'Show the commonest' : `Show all ${groups.length}`}
          </button>
        )}
        {all && others > 0 && <span className="text-soft">{count(others)} orders disagree in rarer ways.</span>}
      </p>
      <RulesRead marketId={marketId} currency={currency} />
    </div>
  );
}

function Row({ marketId, currency, group }: { marketId: string; currency: string; group: Disagreement }) {
  const policy = usePolicy();
  const notation = useNotation();
  const { count } = wordsFor(notation.locale);
  const words = ruleWords(notation, currency);
  const { option, verdict, because, expected, charged, orders, values, days, examples } = group;
  const price = (minor: number) => (minor === 0 ? 'nothing' : words.money(minor));
  return (
    <li className="border-b border-hairline py-1.5" data-testid="disagreement">
      <strong>{count(orders)}</strong> by {optionTitle(policy, option)}
      {verdict === 'notOffered' ? (
        <>, though it {reasonOfOrder[because ?? 'notInZone']}</>
      ) : (
        <>
          {' '}
          paid {price(charged ?? 0)} where the rules say {price(expected ?? 0)}
        </>
      )}
      <span className="text-soft">
        {' '}
        · goods{' '}
        {values.from === values.to
          ? `of ${words.money(values.from)}`
          : `from ${words.money(values.from)} to ${words.money(values.to)}`}
        , {days.from === days.to ? words.day(days.from) : `${words.day(days.from)} to ${words.day(days.to)}`} ·{' '}
      </span>
      {examples.map((example, i) => (
        <span key={example.at}>
          {i > 0 && ', '}
          <OrderAtRehearse marketId={marketId} example={example} charged={charged} option={option}>
            {words.money(example.value)} on {words.day(example.day)}
          </OrderAtRehearse>
        </span>
      ))}
    </li>
  );
}
