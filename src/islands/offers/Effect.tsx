import { useEffect, useRef, useState } from 'react';
import { ordersClient } from '../../client/orders/orders-client.ts';
import type { ReplayNews } from '../../client/orders/replay-messages.ts';
import type { Fact } from '../../core/conditions/fact.ts';
import { ofReplayedOrders, unknownToExports } from '../../core/conditions/unknown-to-exports.ts';
import { inOrder } from '../../core/ordered.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { useNow, useRelease } from '../page/page-context.tsx';
import type { MarketReplay } from './EffectTable.tsx';
import { part } from '../page/parts.ts';
import { lazyPart } from '../../ui/lazy-part.tsx';

const EffectTable = lazyPart(() => import('./EffectTable.tsx'), <p className="text-soft">Drawing …</p>);

interface Running {
  share: number;
  results: ReadonlyMap<string, MarketReplay>;
  left: ReadonlyMap<string, string>;
  done: boolean;
  /** why it ended before its time */
  problem?: string;
}

function withNews(running: Running, news: ReplayNews): Running {
  switch (news.kind) {
    case 'progress':
      return { ...running, share: news.share };
    case 'left':
      return { ...running, left: new Map(running.left).set(news.market, news.reason) };
    case 'market':
      return {
        ...running,
        results: new Map(running.results).set(news.market, { replay: news.replay, whole: news.whole }),
      };
  }
}

/** What past orders would have paid for delivery under the draft, against the current release. */
export function Effect() {
  const policy = usePolicy();
  const release = useRelease();
  const now = useNow();
  const stopReplay = useRef<() => void>(() => {});
  const [running, setRunning] = useState<Running | null>(null);
  const [asked, setAsked] = useState<typeof policy | null>(null);
  useEffect(() => () => stopReplay.current(), []);
  const start = () => {
    stopReplay.current();
    setAsked(policy);
    setRunning({ share: 0, results: new Map(), left: new Map(), done: false });
    let wanted = true;
    const hear = (change: (before: Running) => Running): void => {
      if (wanted) setRunning((before) => before && change(before));
    };
    const markets = inOrder(policy.markets).map(([id]) => id);
    const { done, stop } = ordersClient().replay(
      { draft: policy, release: release?.policy ?? null, markets, now },
      (news) => hear((before) => withNews(before, news)),
    );
    stopReplay.current = () => {
      wanted = false;
      stop();
    };
    done.then(
      () => hear((before) => ({ ...before, share: 1, done: true })),
      (error: unknown) =>
        hear((before) => ({ ...before, done: true, problem: error instanceof Error ? error.message : String(error) })),
    );
  };
  const cancel = () => {
    stopReplay.current();
    setRunning(null);
  };
  const unknown = [
    ...new Set(
      Object.values(policy.offers).flatMap(({ on, when }) =>
        on && when ? unknownToExports(when, policy, ofReplayedOrders) : [],
      ),
    ),
  ];
  return (
    <section
      ref={part('effect')}
      className="seldom-seen mt-4 border-t border-hairline pt-2"
      aria-label="Effect before it goes live"
      data-testid="effect"
    >
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 className="text-title">Effect before it goes live</h2>
        <p className="text-small text-soft">
          Past orders as though bought now: one article of their value and weight, by a guest, to their postcode;
          without one, to the zone of the option they took.
        </p>
      </div>
      <p className="flex flex-wrap items-baseline gap-x-3 text-small">
        <button type="button" className="btn btn-xs" onClick={start} data-testid="replay">
          {running ? 'Replay again' : 'Replay past orders'}
        </button>
        {running && !running.done && (
          <>
            <progress className="progress w-40" max={1} value={running.share} aria-label="Orders replayed" />
            <button type="button" className="btn btn-xs" onClick={cancel} data-testid="replay-cancel">
              Stop
            </button>
          </>
        )}
        {running?.problem && (
          <span role="alert" className="text-error">
            The orders could not be replayed to the end. Try it again. ({running.problem})
          </span>
        )}
        {running && asked !== policy && (
          <span className="text-warning">The draft has changed since; what stands here is of before.</span>
        )}
        {unknown.length > 0 && <Untold facts={unknown} />}
      </p>
      {running && running.results.size > 0 && <EffectTable results={running.results} left={running.left} />}
    </section>
  );
}

const mostNamed = 3;

function Untold({ facts }: { facts: readonly Fact[] }) {
  const [all, setAll] = useState(false);
  const named = (all ? facts : facts.slice(0, mostNamed))
    .map(({ about, name }) => `${about.toLowerCase()}: ${name}`)
    .join(', ');
  return (
    <span className="text-soft">
      Offers that ask for what orders do not tell hold for none of them: {named}
      {!all && facts.length > mostNamed && (
        <button type="button" className="btn btn-xs" onClick={() => setAll(true)}>
          and {facts.length - mostNamed} more
        </button>
      )}
      .
    </span>
  );
}
