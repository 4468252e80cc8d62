import { memo, useCallback, useMemo } from 'react';
import type { Policy } from '../../core/policy/types.ts';
import { inOrder } from '../../core/ordered.ts';
import type { Distribution, ValueCounts } from '../../core/orders/distribution.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { Calm, useDraft, usePolicy } from '../page/draft-context.tsx';
import { useCompiled, useNotation } from '../page/page-context.tsx';
import { GuardedEdits, useGuardedEdit } from '../page/use-edit.tsx';
import { useQuery, type SetQuery } from '../page/use-query.ts';
import { MarketLine } from './MarketLine.tsx';
import { GoalGrid } from './goals/GoalGrid.tsx';
import { AddOffer } from './AddOffer.tsx';
import type { DatedStep } from '../../core/results/changes-of-market.ts';
import { BestGoals } from './best/BestGoals.tsx';
import { Archive } from './Archive.tsx';
import { Effect } from './Effect.tsx';
import { part } from '../page/parts.ts';
import { OfferParagraph } from './paragraph/OfferParagraph.tsx';
import { QualifierLibrary } from './QualifierLibrary.tsx';
import { RowTools } from './RowTools.tsx';
import { ShopperLibrary } from './ShopperLibrary.tsx';
import { SharesByMarket } from './paragraph/SharesByMarket.tsx';
import { useDistributions } from '../spend-line/use-distributions.ts';

/** Offers in one market: the spend line over the goal grid and the wording. */
export function OffersView({
  query: initial,
  values,
  steps,
}: {
  query: Record<string, string>;
  values: ValueCounts | null;
  /** what releases changed, newest first */
  steps: readonly DatedStep[];
}) {
  const policy = usePolicy();
  const [query, setQuery] = useQuery(initial);
  const { edit, refusal } = useGuardedEdit();
  const savedMarkets = useDraft(({ saved }) => saved.policy.markets);
  const { marketId, offerId } = askedFor(policy, query);
  const distributions = useDistributions(
    useMemo(() => inOrder(savedMarkets).map(([id]) => id), [savedMarkets]),
    marketId,
    values,
  );
  const choose = useCallback((id: string) => setQuery({ market: marketId, offer: id }), [setQuery, marketId]);
  const openCondition = useCallback(
    (condition: string) => setQuery({ market: marketId, condition }),
    [setQuery, marketId],
  );
  return (
    <GuardedEdits edit={edit}>
      <div className="px-5 py-3">
        <div className="mb-2 flex flex-wrap items-baseline justify-between gap-x-6">
          <AskedPhrase marketId={marketId} query={query} setQuery={setQuery} />
          <OrdersPhrase
            orders={distributions.get(marketId)?.orders}
            net={query.net === 'shown'}
            toggleNet={() => setQuery({ net: query.net ? '' : 'shown' })}
          />
        </div>
        <div ref={part('line')} className="outline-none">
          <MarketLine
            marketId={marketId}
            offerId={offerId}
            query={query}
            steps={steps}
            distribution={distributions.get(marketId) ?? null}
          />
        </div>
        {refusal}
        {offerId !== undefined && inOrder(policy.offers[offerId]!.goals).length > 0 ? (
          <GoalGrid
            marketId={marketId}
            choose={(id) => setQuery({ market: id })}
            offerId={offerId}
            chooseOffer={choose}
            distributions={distributions}
          />
        ) : (
          <p className="py-4 text-soft">There is no offer in this draft.</p>
        )}
        <Calm>
          <AddOffer choose={choose} />
          <OfferDetails
            offerId={offerId}
            marketId={marketId}
            distributions={distributions}
            choose={choose}
            condition={query.condition ?? ''}
            openCondition={openCondition}
            steps={steps}
          />
        </Calm>
      </div>
    </GuardedEdits>
  );
}

/** What the address asks for; else the first market, and the first offer that is not archived. */
function askedFor({ markets, offers }: Policy, query: Record<string, string>) {
  const listed = inOrder(offers);
  const first = listed.find(([, { archived }]) => !archived) ?? listed[0];
  return {
    marketId: Object.hasOwn(markets, query.market ?? '') ? query.market! : inOrder(markets)[0]![0],
    offerId: Object.hasOwn(offers, query.offer ?? '') ? query.offer! : first?.[0],
  };
}

/** Which market, zone and shopper are looked at. */
function AskedPhrase({
  marketId,
  query,
  setQuery,
}: {
  marketId: string;
  query: Record<string, string>;
  setQuery: SetQuery;
}) {
  const { markets, shoppers = {} } = usePolicy();
  const zones = useCompiled().markets.get(marketId)?.zones ?? [];
  const zoneId = (zones.find(({ id }) => id === query.zone) ?? zones[0])?.id;
  return (
    <h1 className="min-w-0 text-head">
      Offers in{' '}
      <PhraseSelect
        label="Market"
        value={marketId}
        options={inOrder(markets).map(([id, { name }]) => [id, name])}
        choose={(id) => setQuery({ market: id, zone: '' })}
        testId="market-phrase"
      />
      {zones.length > 1 && (
        <>
          {' '}
          to{' '}
          <PhraseSelect
            label="Zone"
            value={zoneId ?? ''}
            options={zones.map(({ id, zone: { name } }) => [id, name])}
            choose={(id) => setQuery({ zone: id })}
            testId="zone-phrase"
          />
        </>
      )}{' '}
      for{' '}
      <PhraseSelect
        label="Shopper"
        value={Object.hasOwn(shoppers, query.shopper ?? '') ? query.shopper! : ''}
        options={[['', 'a guest'], ...inOrder(shoppers).map(([id, { name }]) => [id, name] as const)]}
        choose={(id) => setQuery({ shopper: id })}
        testId="shopper-phrase"
      />
    </h1>
  );
}

/** What stands under the grid: the offer as a paragraph, what would come of it, and what all offers draw on. */
const OfferDetails = memo(function OfferDetails({
  offerId,
  marketId,
  distributions,
  choose,
  condition,
  openCondition,
  steps,
}: {
  offerId: string | undefined;
  marketId: string;
  distributions: ReadonlyMap<string, Distribution>;
  choose: (offer: string) => void;
  condition: string;
  openCondition: (condition: string) => void;
  steps: readonly DatedStep[];
}) {
  const policy = usePolicy();
  const compiled = useCompiled();
  const { edit, refusal } = useGuardedEdit();
  const offer = offerId === undefined ? undefined : policy.offers[offerId];
  return (
    <GuardedEdits edit={edit}>
      {refusal}
      {offerId !== undefined && offer && (
        <>
          <RowTools key={`tools-${offerId}`} offerId={offerId} goals={inOrder(offer.goals)} marketId={marketId} />
          <SharesByMarket offer={offer} distributions={distributions} />
          <OfferParagraph
            key={offerId}
            offerId={offerId}
            offer={offer}
            marketId={marketId}
            compiledMarket={compiled.markets.get(marketId)}
            choose={choose}
          />
        </>
      )}
      <Archive choose={choose} />
      {offerId !== undefined && offer && (
        <p className="py-1 text-small">
          <a
            className="link link-primary"
            href={`/wording?offer=${offerId}&market=${marketId}`}
            data-testid="to-wording"
          >
            What shoppers read of “{offer.name}”
          </a>
        </p>
      )}
      <BestGoals offerId={offerId} steps={steps} />
      <Effect />
      <ShopperLibrary />
      <QualifierLibrary marketId={marketId} open={condition} setOpen={openCondition} />
    </GuardedEdits>
  );
});

function OrdersPhrase({ orders, net, toggleNet }: { orders: number | undefined; net: boolean; toggleNet: () => void }) {
  const { locale } = useNotation();
  if (orders === undefined) return <p className="text-soft">reading orders …</p>;
  if (orders === 0) return <p className="text-soft">no past orders in this market</p>;
  return (
    <p className="text-soft">
      {new Intl.NumberFormat(locale).format(orders)} past orders behind the picture{' '}
      <button
        type="button"
        className="btn btn-xs"
        aria-pressed={net}
        title="Worked out from the market's orders under its assumptions, as at Orders"
        onClick={toggleNet}
        data-testid="toggle-net"
      >
        {net ? 'hide what a goal would bring' : 'show what a goal would bring'}
      </button>
    </p>
  );
}
