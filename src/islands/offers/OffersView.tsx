import { memo, useCallback, useMemo } from 'react';
import { setTarget } from '../../client/edits/edits.ts';
import { compilePolicy, sameRules, type CompiledZone } from '../../core/evaluation/compile.ts';
import type { Policy } from '../../core/policy/types.ts';
import { inOrder } from '../../core/ordered.ts';
import type { Distribution, ValueCounts } from '../../core/orders/distribution.ts';
import { targetIn } from '../../core/offers/target.ts';
import { sweepZone } from '../../core/sweep/sweep.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { Calm, useDraft, usePolicy } from '../page/draft-context.tsx';
import { useCompiled, useNotation, useNow, useRelease } from '../page/page-context.tsx';
import { GuardedEdits, useGuardedEdit } from '../page/use-edit.tsx';
import { useQuery } from '../page/use-query.ts';
import { GoalGrid } from './GoalGrid.tsx';
import { AddOffer } from './AddOffer.tsx';
import { Archive } from './Archive.tsx';
import { Effect } from './Effect.tsx';
import { NetLine } from './NetLine.tsx';
import { OfferParagraph } from './paragraph/OfferParagraph.tsx';
import { QualifierLibrary } from './QualifierLibrary.tsx';
import { someoneIn } from '../../core/evaluation/someone-in.ts';
import { SpendLine, type AsideGoal, type SpendGoal } from '../spend-line/SpendLine.tsx';
import { RowTools } from './RowTools.tsx';
import { ShopperLibrary } from './ShopperLibrary.tsx';
import { SharesByMarket } from './paragraph/SharesByMarket.tsx';
import { useDistributions } from './use-distributions.ts';

/** Offers in one market: the spend line over the goal grid and the wording. */
export function OffersView({ query: initial, values }: { query: Record<string, string>; values: ValueCounts | null }) {
  const policy = usePolicy();
  const compiled = useCompiled();
  const release = useRelease();
  const now = useNow();
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
  const zone = useDraft((draft) => zoneIn(draft.policy, marketId, query.zone), sameZone);
  const madeUp = policy.shoppers?.[query.shopper ?? ''];
  const shopper = madeUp?.shopper;
  const zoneId = zone?.id;
  const offerId = policy.offers[query.offer ?? '']
    ? query.offer!
    : (inOrder(policy.offers).find(([, { archived }]) => !archived) ?? inOrder(policy.offers)[0])?.[0];
  const offer = offerId === undefined ? undefined : policy.offers[offerId];
  const [goalId] = offer ? (inOrder(offer.goals)[0] ?? []) : [];
  const target = offerId && goalId ? targetIn(policy, offerId, goalId, marketId) : null;
  const isMoney = goalId !== undefined && offer?.goals[goalId]?.measure.kind === 'countedValue';
  const choose = useCallback((id: string) => setQuery({ market: marketId, offer: id }), [setQuery, marketId]);
  const openCondition = useCallback(
    (condition: string) => setQuery({ market: marketId, condition }),
    [setQuery, marketId],
  );
  const savedZone = useDraft(({ saved }) => zoneIn(saved.policy, marketId, zoneId), sameZone);
  const steadySweep = useMemo(
    () => (savedZone ? sweepZone(savedZone, 'goodsValue', someoneIn(savedZone, now, shopper)) : null),
    [savedZone, now, shopper],
  );
  const steadyGoal = offerId && goalId && isMoney ? targetIn(savedPolicy, offerId, goalId, marketId) : null;

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
    compiledOffer.goals.flatMap((compiledGoal): AsideGoal[] => {
      if (
        (compiledOffer.id === offerId && compiledGoal.id === goalId) ||
        compiledGoal.target === null ||
        compiledGoal.counts.kind !== 'value'
      )
        return [];
      return [
        {
          offerId: compiledOffer.id,
          goalId: compiledGoal.id,
          value: compiledGoal.target,
          label: `Goal of ${compiledOffer.offer.name} in ${market.name}`,
        },
      ];
    }),
  );
  const showOther = useCallback(
    (goal: AsideGoal, value: number) => show(setTarget(goal.offerId, goal.goalId, marketId, value)),
    [show, marketId],
  );
  const commitOther = useCallback(
    (goal: AsideGoal, value: number) => void guarded(setTarget(goal.offerId, goal.goalId, marketId, value)),
    [guarded, marketId],
  );
  return (
    <GuardedEdits edit={guarded}>
      <div className="px-5 py-3">
        <div className="mb-2 flex flex-wrap items-baseline justify-between gap-x-6">
          <h1 className="min-w-0 text-[22px]">
            Offers in{' '}
            <PhraseSelect
              head
              label="Market"
              value={marketId}
              options={markets.map(([id, { name }]) => [id, name])}
              choose={(id) => setQuery({ market: id, zone: '' })}
              testId="market-phrase"
            />
            {zones.length > 1 && (
              <>
                {' '}
                to{' '}
                <PhraseSelect
                  head
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
              head
              label="Shopper"
              value={madeUp ? query.shopper! : ''}
              options={[
                ['', 'a guest'],
                ...inOrder(policy.shoppers ?? {}).map(([id, { name }]) => [id, name] as const),
              ]}
              choose={(id) => setQuery({ shopper: id })}
              testId="shopper-phrase"
            />
          </h1>
          <OrdersPhrase
            orders={distributions.get(marketId)?.orders}
            net={query.net === 'shown'}
            toggleNet={() => setQuery({ net: query.net ? '' : 'shown' })}
          />
        </div>
        {zone && steadySweep ? (
          <SpendLine
            key={`${marketId} ${zoneId}`}
            zone={zone}
            steadySweep={steadySweep}
            steadyGoal={steadyGoal}
            distribution={distributions.get(marketId) ?? null}
            goal={spendGoal}
            others={others}
            showOther={showOther}
            commitOther={commitOther}
            language={market.languages[0]!}
            shopper={shopper}
            over={query.net ? (scale) => <NetLine marketId={marketId} scale={scale} /> : undefined}
          />
        ) : (
          <p className="py-6 text-warning">No zone of this market is on, so nobody there can check out.</p>
        )}
        {refusal}
        {offerId && offer && goalId ? (
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
          <OfferDetails
            offerId={offerId}
            marketId={marketId}
            distributions={distributions}
            choose={choose}
            condition={query.condition ?? ''}
            openCondition={openCondition}
          />
        </Calm>
      </div>
    </GuardedEdits>
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
}: {
  offerId: string | undefined;
  marketId: string;
  distributions: ReadonlyMap<string, Distribution>;
  choose: (offer: string) => void;
  condition: string;
  openCondition: (condition: string) => void;
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
      <AddOffer choose={choose} />
      <Archive choose={choose} />
      {offerId !== undefined && offer && (
        <p className="py-1 text-[13px]">
          <a
            className="underline decoration-dotted underline-offset-2"
            href={`/wording?offer=${offerId}&market=${marketId}`}
            data-testid="to-wording"
          >
            What shoppers read of “{offer.name}”
          </a>
        </p>
      )}
      <Effect />
      <ShopperLibrary />
      <QualifierLibrary marketId={marketId} open={condition} setOpen={openCondition} />
    </GuardedEdits>
  );
});

/** A market's zone by its id; the first one that is on when there is none of it. */
function zoneIn(policy: Policy, marketId: string, zoneId: string | undefined): CompiledZone | undefined {
  const zones = compilePolicy(policy).markets.get(marketId)?.zones ?? [];
  return zones.find(({ id }) => id === zoneId) ?? zones[0];
}

/** What an edit elsewhere leaves as it is need not be swept again. */
const sameZone = (a: CompiledZone | undefined, b: CompiledZone | undefined) =>
  a === b || (a !== undefined && b !== undefined && sameRules(a, b));

function OrdersPhrase({ orders, net, toggleNet }: { orders: number | undefined; net: boolean; toggleNet: () => void }) {
  const { locale } = useNotation();
  if (orders === undefined) return <p className="text-soft">reading orders …</p>;
  if (orders === 0) return <p className="text-soft">no past orders in this market</p>;
  return (
    <p className="text-soft">
      {new Intl.NumberFormat(locale).format(orders)} past orders behind the picture
      <button
        type="button"
        className="quiet-button !py-0 underline decoration-dotted underline-offset-2"
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
