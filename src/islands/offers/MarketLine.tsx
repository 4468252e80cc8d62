import { useCallback, useMemo } from 'react';
import { setTarget } from '../../client/edits/edits.ts';
import { compilePolicy, sameRules, type CompiledZone } from '../../core/evaluation/compile.ts';
import type { Offer, Policy } from '../../core/policy/types.ts';
import { inOrder } from '../../core/ordered.ts';
import type { Distribution } from '../../core/orders/distribution.ts';
import type { DatedStep } from '../../core/results/changes-of-market.ts';
import { targetIn } from '../../core/offers/target.ts';
import { sweepZone } from '../../core/sweep/sweep.ts';
import { useDraft, usePolicy } from '../page/draft-context.tsx';
import { useNow, useRelease } from '../page/page-context.tsx';
import { useEdit } from '../page/use-edit.tsx';
import { someoneIn } from '../../core/evaluation/someone-in.ts';
import { SpendLine, type AsideGoal, type SpendGoal } from '../spend-line/SpendLine.tsx';
import { lazyPart } from '../../ui/lazy-part.tsx';

const NetLine = lazyPart(() => import('./NetLine.tsx'), <></>);

/** The spend line of a zone, with the goal of the offer looked at and those beside it. */
export function MarketLine({
  marketId,
  offerId,
  query,
  steps,
  distribution,
}: {
  marketId: string;
  offerId: string | undefined;
  query: Record<string, string>;
  /** what releases changed, newest first */
  steps: readonly DatedStep[];
  distribution: Distribution | null;
}) {
  const policy = usePolicy();
  const now = useNow();
  const savedPolicy = useDraft(({ saved }) => saved.policy);
  const zone = useDraft((draft) => zoneIn(draft.policy, marketId, query.zone), sameZone);
  const zoneId = zone?.id;
  const savedZone = useDraft(({ saved }) => zoneIn(saved.policy, marketId, zoneId), sameZone);
  const shopper = policy.shoppers?.[query.shopper ?? '']?.shopper;
  const steadySweep = useMemo(
    () => (savedZone ? sweepZone(savedZone, 'goodsValue', someoneIn(savedZone, now, shopper)) : null),
    [savedZone, now, shopper],
  );
  const goalId = moneyGoalOf(policy.offers[offerId ?? '']);
  const goal = useSpendGoal(marketId, offerId, goalId);
  const others = zone ? goalsBeside(zone, offerId, goalId) : [];
  const { show, commit } = useOtherGoals(marketId);
  if (!zone || !steadySweep)
    return <p className="py-6 text-warning">No zone of this market is on, so nobody there can check out.</p>;
  return (
    <SpendLine
      key={`${marketId} ${zoneId}`}
      zone={zone}
      steadySweep={steadySweep}
      steadyGoal={offerId && goalId ? targetIn(savedPolicy, offerId, goalId, marketId) : null}
      distribution={distribution}
      goal={goal}
      others={others}
      showOther={show}
      commitOther={commit}
      language={policy.markets[marketId]!.languages[0]!}
      shopper={shopper}
      over={query.net ? (scale) => <NetLine {...{ marketId, offerId, steps, scale }} /> : undefined}
    />
  );
}

/** The first goal of an offer, where it is an amount; null where it is not. */
function moneyGoalOf(offer: Offer | undefined): string | null {
  const [first] = offer ? inOrder(offer.goals) : [];
  return first?.[1].measure.kind === 'countedValue' ? first[0] : null;
}

/** The goal looked at, as the spend line takes it. */
function useSpendGoal(marketId: string, offerId: string | undefined, goalId: string | null): SpendGoal | null {
  const policy = usePolicy();
  const release = useRelease();
  const edit = useEdit();
  const show = useDraft((state) => state.show);
  if (!offerId || !goalId) return null;
  const value = targetIn(policy, offerId, goalId, marketId);
  if (value === null) return null;
  const change = (next: number) => setTarget(offerId, goalId, marketId, next);
  return {
    value,
    released: release ? targetIn(release.policy, offerId, goalId, marketId) : null,
    label: `Goal of ${policy.offers[offerId]!.name} in ${policy.markets[marketId]!.name}`,
    show: (next) => show(change(next)),
    commit: (next) => edit(change(next)),
  };
}

/** Goals in order value of the zone's offers beside the one looked at. */
const goalsBeside = (zone: CompiledZone, offerId: string | undefined, goalId: string | null): AsideGoal[] =>
  zone.offers.flatMap(({ id, offer, goals }) =>
    goals.flatMap((goal, index): AsideGoal[] =>
      (id === offerId && goal.id === goalId) || goal.target === null || goal.counts.kind !== 'value'
        ? []
        : [
            {
              offerId: id,
              goalId: goal.id,
              value: goal.target,
              name: goals.length > 1 ? `${offer.name} ${index + 1}` : offer.name,
              label: `Goal of ${offer.name} in ${zone.market.market.name}`,
            },
          ],
    ),
  );

function useOtherGoals(marketId: string) {
  const edit = useEdit();
  const showEdit = useDraft((state) => state.show);
  const show = useCallback(
    ({ offerId, goalId }: AsideGoal, value: number) => showEdit(setTarget(offerId, goalId, marketId, value)),
    [showEdit, marketId],
  );
  const commit = useCallback(
    ({ offerId, goalId }: AsideGoal, value: number) => void edit(setTarget(offerId, goalId, marketId, value)),
    [edit, marketId],
  );
  return { show, commit };
}

/** A market's zone by its id; the first one that is on when there is none of it. */
function zoneIn(policy: Policy, marketId: string, zoneId: string | undefined): CompiledZone | undefined {
  const zones = compilePolicy(policy).markets.get(marketId)?.zones ?? [];
  return zones.find(({ id }) => id === zoneId) ?? zones[0];
}

/** What an edit elsewhere leaves as it is need not be swept again. */
const sameZone = (a: CompiledZone | undefined, b: CompiledZone | undefined) =>
  a === b || (a !== undefined && b !== undefined && sameRules(a, b));
