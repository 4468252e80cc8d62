import { useMemo } from 'react';
import type { OrderSpan } from '../../../core/orders/study.ts';
import { changesIn, freeAround, marketLookedAt, type DatedStep } from '../../../core/results/changes-of-market.ts';
import { windowsAround } from '../../../core/results/windows-around.ts';
import { dateOfDay } from '../../../core/time/day.ts';
import { Alert } from '../../../ui/Alert.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNow } from '../../page/page-context.tsx';
import { part } from '../../page/parts.ts';
import type { SetQuery } from '../../page/use-query.ts';
import { ChangeSentence } from './ChangeSentence.tsx';
import { chosenChange, type ChosenChange } from '../study/chosen-change.ts';
import { ChangeFound } from './ChangeFound.tsx';
import { Waiting } from './Waiting.tsx';
import { useAsked } from '../study/use-asked.ts';
import { useSpan } from '../study/use-change.ts';

const usualWeeks = 8;

/** What happened since a change of an offer: before and after, beside other markets. */
export function WhatHappened({
  query,
  setQuery,
  steps,
}: {
  query: Record<string, string>;
  setQuery: SetQuery;
  steps: readonly DatedStep[];
}) {
  const policy = usePolicy();
  const today = Math.floor(useNow() / 86_400_000);
  const market = marketLookedAt(query.market, policy, steps, today)!;
  const changes = useMemo(() => changesIn(steps, market), [steps, market]);
  const { bounds, problem } = useSpan(market);
  const chosen = useMemo(() => {
    const others = Object.keys(policy.markets).filter((other) => other !== market);
    // Until it is known of which days there are orders, they are taken to go on to this day.
    return chosenChange(query, changes, { ...(bounds ?? { firstDay: 0, lastDay: today }), others });
  }, [query, changes, bounds, policy.markets, market, today]);
  const found = useMemo(() => (bounds ? windowsOf(chosen, changes, bounds) : null), [chosen, changes, bounds]);
  const asking = useAsked(market, chosen, found?.windows ?? null, steps);
  const days =
    bounds && bounds.orders > 0 ? { first: dateOfDay(bounds.firstDay), last: dateOfDay(bounds.lastDay) } : null;
  return (
    <section ref={part('what happened')} aria-label="What happened" data-testid="what-happened">
      <ChangeSentence
        market={market}
        changes={changes}
        chosen={chosen}
        weeks={weeksOf(chosen, found, bounds !== null)}
        days={days}
        setQuery={setQuery}
      />
      {problem && <Alert>{problem}</Alert>}
      {!bounds && !problem && <Waiting says="Reading orders …" />}
      {bounds && bounds.orders === 0 && <NoOrders market={policy.markets[market]!.name} />}
      {bounds && bounds.orders > 0 && !found && (
        <p className="py-2" data-testid="no-whole-week">
          There is not a whole week of orders on both sides of that day without another change of an offer in this
          market. Choose another change, or come back when a week has passed.
        </p>
      )}
      {bounds && found && asking && (
        <ChangeFound
          market={market}
          bounds={bounds}
          chosen={chosen}
          asking={asking}
          steps={steps}
          changes={changes}
          setQuery={setQuery}
        />
      )}
    </section>
  );
}

/** Until the orders have been read the sentence stands as it will most likely stand. */
function weeksOf({ weeks }: ChosenChange, found: ReturnType<typeof windowsAround>, read: boolean) {
  if (found) return { taken: found.weeks, most: found.most };
  return read ? null : { taken: weeks ?? usualWeeks, most: usualWeeks };
}

function windowsOf(chosen: ChosenChange, changes: Parameters<typeof freeAround>[0], bounds: OrderSpan) {
  const { since, base, weeks } = chosen;
  if (!since || bounds.orders === 0) return null;
  const known = { from: bounds.firstDay, to: bounds.lastDay + 1 };
  return windowsAround(since.day, { known, free: freeAround(changes, since.day), base, weeks });
}

function NoOrders({ market }: { market: string }) {
  return (
    <p className="max-w-[46rem] py-2" data-testid="no-orders">
      No orders of {market} are known. Import them at{' '}
      <a className="link link-primary" href="/orders">
        Orders
      </a>
      , or have the shop report them with a key from{' '}
      <a className="link link-primary" href="/connections">
        Connections
      </a>
      .
    </p>
  );
}
