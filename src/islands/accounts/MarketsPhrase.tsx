import { useState } from 'react';
import { inOrder } from '../../core/ordered.ts';
import { inMarkets, type MarketLimit } from '../../core/people/market-limit.ts';
import { Popover } from '../../ui/Popover.tsx';
import { usePolicy } from '../page/draft-context.tsx';

/** So many markets are named. */
const mostNamed = 2;

/** In which markets somebody may change and release. */
export function MarketsPhrase({
  label,
  limit: chosen,
  busy,
  choose,
  testId,
}: {
  label: string;
  limit: MarketLimit;
  busy: boolean;
  choose: (limit: MarketLimit) => Promise<void> | void;
  testId?: string;
}) {
  // What has been chosen is shown while it is on its way.
  const [sent, setSent] = useState<{ limit: MarketLimit } | null>(null);
  const limit = sent ? sent.limit : chosen;
  const pick = async (next: MarketLimit) => {
    setSent({ limit: next });
    await choose(next);
    setSent(null);
  };
  const markets = inOrder(usePolicy().markets);
  // A market that is there no more is no limit that anybody could see.
  const known = markets.filter(([id]) => limit?.includes(id)).map(([, { name }]) => name);
  return (
    <Popover label={label} shown={shownLimit(limit, known)} testId={testId}>
      {() => (
        <span className="flex max-h-80 min-w-56 flex-col gap-1 overflow-y-auto p-3">
          <Tick
            name="all markets, and what concerns all"
            on={limit === null}
            busy={busy}
            change={(on) => void pick(on ? null : [])}
          />
          {markets.map(([id, { name }]) => (
            <Tick
              key={id}
              name={name}
              on={limit?.includes(id) === true}
              busy={busy}
              change={(on) => void pick(on ? [...(limit ?? []), id] : (limit ?? []).filter((one) => one !== id))}
            />
          ))}
        </span>
      )}
    </Popover>
  );
}

function Tick({ name, on, busy, change }: { name: string; on: boolean; busy: boolean; change: (on: boolean) => void }) {
  return (
    <label className="flex min-h-6 items-center gap-2">
      <input
        type="checkbox"
        className="checkbox checkbox-xs"
        checked={on}
        disabled={busy}
        onChange={(event) => change(event.target.checked)}
      />
      {name}
    </label>
  );
}

function shownLimit(limit: MarketLimit, known: readonly string[]): string {
  if (limit === null) return 'in all markets';
  return known.length > mostNamed ? `in ${known.length} markets` : inMarkets(known);
}
