import { useMemo } from 'react';
import { setTarget } from '../../client/edits.ts';
import { compilePolicy } from '../../core/evaluation/compile.ts';
import { inOrder } from '../../core/ordered.ts';
import type { ValueCounts } from '../../core/orders/distribution.ts';
import { targetIn } from '../../core/offers/target.ts';
import { sweepZone } from '../../core/sweep/sweep.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { useDraft, usePage, usePolicy } from '../frame/page-context.tsx';
import { useGuardedEdit } from '../frame/use-guarded-edit.tsx';
import { useStable } from '../frame/use-stable.ts';
import { useQuery } from '../frame/use-query.ts';
import { GoalGrid } from './GoalGrid.tsx';
import { AddOffer } from './AddOffer.tsx';
import { Effect } from './Effect.tsx';
import { OfferParagraph } from './OfferParagraph.tsx';
import { QualifierLibrary } from './QualifierLibrary.tsx';
import { someoneIn } from '../spend-line/someone-in.ts';
import { SpendLine, type SpendGoal } from '../spend-line/SpendLine.tsx';
import { RowTools } from './RowTools.tsx';
import { ShopperLibrary } from './ShopperLibrary.tsx';
import { SharesByMarket } from './SharesByMarket.tsx';
import { useDistributions } from './use-distributions.ts';
import { WordingEditor } from './WordingEditor.tsx';

/** Offers in one market: the spend line over the goal grid and the wording. */
export function OffersView({ query: initial, values }: { query: Record<string, string>; values: ValueCounts | null }) {
  const policy = usePolicy();
  const { compiled, release, now } = usePage();
  const [query, setQuery] = useQuery(initial);
  const show = useDraft((state) => state.show);
  const { edit: guarded, refusal } = useGuardedEdit();
  const savedPolicy = useDraft((state) => state.saved.policy);
  const markets = inOrder(policy.markets);
  const marketId = policy.markets[query.market ?? ''] ? query.market! : markets[0]![0];
  const distributions = useDistributions(
    useMemo(() => inOrder(savedPolicy.markets).map(([id]) => id), [savedPolicy.markets]),
    marketId,
    values,
  );
  const market = policy.markets[marketId]!;
  const zones = compiled.markets.get(marketId)?.zones ?? [];
  const zone = zones.find(({ id }) => id === query.zone) ?? zones[0];
  const persona = policy.shoppers?.[query.shopper ?? ''];
  const shopper = persona?.shopper;
  const zoneId = zone?.id;
  const offerId = policy.offers[query.offer ?? ''] ? query.offer! : inOrder(policy.offers)[0]?.[0];
  const offer = offerId === undefined ? undefined : policy.offers[offerId];
  const [goalId] = offer ? (inOrder(offer.goals)[0] ?? []) : [];
  const target = offerId && goalId ? targetIn(policy, offerId, goalId, marketId) : null;
  const isMoney = goalId !== undefined && offer?.goals[goalId]?.measure.kind === 'countedValue';
  const choose = (id: string) => setQuery({ market: marketId, offer: id });
  const openCondition = useStable((condition: string) => setQuery({ market: marketId, condition }));
  const steady = useMemo(() => {
    const savedZone = compilePolicy(savedPolicy).markets.get(marketId)?.zones.find(({ id }) => id === zoneId);
    return { sweep: savedZone ? sweepZone(savedZone, 'goodsValue', someoneIn(savedZone, now, shopper)) : null, goal: offerId && goalId && isMoney ? targetIn(savedPolicy, offerId, goalId, marketId) : null };
  }, [savedPolicy, marketId, zoneId, offerId, goalId, isMoney, now, shopper]);

  const spendGoal: SpendGoal | null =
    offerId && goalId && target !== null && isMoney
      ? {
          value: target,
          released: release ? targetIn(release.policy, offerId, goalId, marketId) : null,
          label: `Goal of ${offer!.name} in ${market.name}`,
          show: (value) => show(setTarget(offerId, goalId, marketId, value)),
          commit: (value) => guarded(setTarget(offerId, goalId, marketId, value)),
        }
      : null;

  const others = (zone?.offers ?? []).flatMap((compiledOffer) =>
    compiledOffer.goals.flatMap((compiledGoal): SpendGoal[] => {
      if ((compiledOffer.id === offerId && compiledGoal.id === goalId) || compiledGoal.target === null || compiledGoal.counts.kind !== 'value') return [];
      const set = (value: number) => setTarget(compiledOffer.id, compiledGoal.id, marketId, value);
      return [{ value: compiledGoal.target, released: null, label: `Goal of ${compiledOffer.offer.name} in ${market.name}`, testId: `${compiledOffer.id}-${compiledGoal.id}`, show: (value) => show(set(value)), commit: (value) => guarded(set(value)) }];
    }),
  );
  return (
    <div className="px-5 py-3">
      <div className="mb-2 flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="text-[22px]">
          Offers in{' '}
          <PhraseSelect head label="Market" value={marketId} options={markets.map(([id, { name }]) => [id, name])} choose={(id) => setQuery({ market: id, zone: '' })} testId="market-phrase" />
          {zones.length > 1 && (
            <>
              {' '}
              to <PhraseSelect head label="Zone" value={zoneId ?? ''} options={zones.map(({ id, zone: { name } }) => [id, name])} choose={(id) => setQuery({ zone: id })} testId="zone-phrase" />
            </>
          )}{' '}
          for <PhraseSelect head label="Shopper" value={persona ? query.shopper! : ''} options={[['', 'a guest'], ...inOrder(policy.shoppers ?? {}).map(([id, { name }]) => [id, name] as const)]} choose={(id) => setQuery({ shopper: id })} testId="shopper-phrase" />
        </h1>
        <OrdersPhrase orders={distributions.get(marketId)?.orders} />
      </div>
      {zone && steady.sweep ? (
        <SpendLine key={`${marketId} ${zoneId}`} zone={zone} steadySweep={steady.sweep} steadyGoal={steady.goal} distribution={distributions.get(marketId) ?? null} goal={spendGoal} others={others} language={market.languages[0]!} shopper={shopper} />
      ) : (
        <p className="py-6 text-warning">No zone of this market is on, so nobody there can check out.</p>
      )}
      {refusal}
      {offerId && offer && goalId ? (
        <>
          <GoalGrid marketId={marketId} choose={(id) => setQuery({ market: id })} offerId={offerId} chooseOffer={choose} distributions={distributions} edit={guarded} />
          <RowTools key={`tools-${offerId}`} offerId={offerId} goals={inOrder(offer.goals)} marketId={marketId} edit={guarded} />
          <SharesByMarket offer={offer} distributions={distributions} />
          <OfferParagraph key={offerId} offerId={offerId} offer={offer} marketId={marketId} compiledMarket={compiled.markets.get(marketId)} choose={choose} />
        </>
      ) : (
        <p className="py-4 text-soft">There is no offer in this draft.</p>
      )}
      <AddOffer edit={guarded} choose={choose} />
      {offerId && offer && <WordingEditor key={`${offerId} ${marketId}`} offerId={offerId} offerName={offer.name} marketId={marketId} target={isMoney ? target : null} />}
      <Effect />
      <ShopperLibrary />
      <QualifierLibrary marketId={marketId} open={query.condition ?? ''} setOpen={openCondition} />
    </div>
  );
}

function OrdersPhrase({ orders }: { orders: number | undefined }) {
  const { locale } = usePage();
  if (orders === undefined) return <p className="text-soft">reading orders …</p>;
  if (orders === 0) return <p className="text-soft">no past orders in this market</p>;
  return <p className="text-soft">{new Intl.NumberFormat(locale).format(orders)} past orders behind the picture</p>;
}
