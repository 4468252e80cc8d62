import { useEffect, useMemo, useRef, useState } from 'react';
import type { MeasuredFor } from '../../../client/orders/held-orders.ts';
import { ordersClient } from '../../../client/orders/orders-client.ts';
import { finely } from '../../../core/goal-moves/condense.ts';
import { withChance, type Chance } from '../../../core/goal-moves/chance.ts';
import { counterfactualOf, type Counterfactual } from '../../../core/goal-moves/counterfactual.ts';
import { moveCurve, type MoveCurve } from '../../../core/goal-moves/move-curve.ts';
import { moveTerms, type OptionShare } from '../../../core/goal-moves/move-terms.ts';
import { moveOutcome, type MoveOutcome, type MoveTerms } from '../../../core/goal-moves/move.ts';
import type { OrderFilter } from '../../../core/orders/tally.ts';
import type { Assumption } from '../../../core/policy/types.ts';
import type { AskedGoal } from '../../../core/goal-moves/asked-goals.ts';

/** What moving a goal would do, as far as its orders have been looked through. */
export interface Moving {
  asked: AskedGoal;
  /** in the measure; what orders bear out of what is stated */
  present: number | null;
  /** days of the period on which orders do not bear the goal out are taken as days without it */
  notBorneOut: boolean;
  curve: MoveCurve;
  options: readonly OptionShare[];
  orders: number;
  end: number;
  outcomeOf: (candidate: number | null, second?: number | null) => MoveOutcome;
}

/** Between so many candidates chance is reckoned for each; those between have what lies between. */
const candidatesApart = 4;

/**
 * Looks through a market’s orders for a goal that may be moved.
 *
 * @param asked null: nothing is asked
 */
export function useMoving(
  marketId: string,
  asked: AskedGoal | null,
  filter: OrderFilter,
  months: number,
  assumption: Assumption | undefined,
): { moving: Moving | null; problem: string | null } {
  const [found, setFound] = useState<{ key: string; measured: MeasuredFor } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  // Which orders paid is what is asked: those that did and those that did not are both looked at.
  const { fromDay, toDay, shopper, option } = filter;
  const looked = useMemo(
    (): OrderFilter => ({ fromDay, toDay, shopper, option, delivery: 'all' }),
    [fromDay, toDay, shopper, option],
  );
  const key = asked && JSON.stringify([marketId, looked, asked.over]);
  const wanted = useRef(asked);
  wanted.current = asked;
  useEffect(() => {
    if (key === null) return undefined;
    let live = true;
    ordersClient()
      .measured(marketId, looked, wanted.current!.over)
      .then(
        (measured) => {
          if (!live) return;
          setFound({ key, measured });
          setProblem(null);
        },
        (error: unknown) => live && setProblem(error instanceof Error ? error.message : String(error)),
      );
    return () => {
      live = false;
    };
  }, [key, marketId, looked]);

  const measured = found && found.key === key ? found.measured : null;
  const stated = asked?.present ?? null;
  const notBorneOut =
    measured !== null &&
    stated !== null &&
    measured.orders.length > 0 &&
    measured.orders.every(({ goal }) => goal === null);
  const present = notBorneOut ? null : stated;
  const end = measured ? Math.max(measured.end, (present ?? 0) * 1.15) : 0;
  const bands = useMemo(
    () => measured && measured.orders.map((orders) => finely(orders, end, present)),
    [measured, end, present],
  );
  const terms = useMemo(() => measured && moveTerms(assumption, measured.options), [assumption, measured]);
  const parts = useMemo(
    () => bands && terms && bands.map((orders) => counterfactualOf(orders, terms.response)),
    [bands, terms],
  );
  const curve = useMemo(
    () => parts && terms && moveCurve(parts, months, { present, end }, terms),
    [parts, terms, months, present, end],
  );
  const chance = useChance(marketId, looked, curve && asked && { asked, curve, end, months, assumption });
  const moving = useMemo(
    () =>
      asked &&
      measured &&
      parts &&
      terms &&
      curve &&
      movingOf({ asked, measured, parts, terms, curve, chance, months, end, present, notBorneOut }),
    [asked, measured, parts, terms, curve, chance, months, end, present, notBorneOut],
  );
  return { moving, problem };
}

interface Found {
  asked: AskedGoal;
  measured: MeasuredFor;
  parts: readonly Counterfactual[];
  terms: MoveTerms;
  curve: MoveCurve;
  chance: Chance | null;
  months: number;
  end: number;
  present: number | null;
  notBorneOut: boolean;
}

function movingOf({ asked, measured, parts, terms, curve, chance, months, end, present, notBorneOut }: Found): Moving {
  const banded = (outcome: MoveOutcome) => (chance ? withChance(outcome, chance) : outcome);
  return {
    asked,
    present,
    notBorneOut,
    options: measured.options,
    orders: measured.orders.reduce((sum, { tally }) => sum + tally.orders, 0),
    end,
    curve: { ...curve, along: curve.along.map(banded), dropped: curve.dropped && banded(curve.dropped) },
    outcomeOf: (candidate, second = null) => {
      const outcome = moveOutcome(parts, months, { present, candidate, second }, terms);
      return second === null ? banded(outcome) : outcome;
    },
  };
}

/** What chance may do, from the worker: of the last question that was answered, while another is on its way. */
function useChance(
  marketId: string,
  filter: OrderFilter,
  about: { asked: AskedGoal; curve: MoveCurve; end: number; months: number; assumption: Assumption | undefined } | null,
): Chance | null {
  const [chance, setChance] = useState<{ of: string; chance: Chance } | null>(null);
  const busy = useRef(false);
  const next = useRef<(() => void) | null>(null);
  const goalKey = about && JSON.stringify([marketId, filter, about.asked.over, about.curve.present]);
  const latest = useRef(about);
  latest.current = about;
  const key = about && JSON.stringify([goalKey, about.assumption, about.end, about.months]);
  useEffect(() => {
    if (key === null || goalKey === null) return undefined;
    let live = true;
    const ask = () => {
      const { asked, curve, end, months, assumption } = latest.current!;
      const amounts = curve.along.map(({ candidate }) => candidate);
      const some = amounts.filter((amount, i) => i % candidatesApart === 0 || amount === curve.present);
      busy.current = true;
      ordersClient()
        .chance(marketId, filter, {
          goal: asked.over,
          present: curve.present,
          candidates: [...some, null],
          end,
          months,
          assumption,
        })
        // What chance does is a refinement: without it the band is that of orders coming in.
        .then(
          (found) => live && setChance({ of: goalKey, chance: found }),
          () => {},
        )
        .finally(() => {
          busy.current = false;
          const waiting = next.current;
          next.current = null;
          waiting?.();
        });
    };
    if (busy.current) next.current = () => live && ask();
    else ask();
    return () => {
      live = false;
    };
  }, [key, goalKey, marketId, filter]);
  return chance && chance.of === goalKey ? chance.chance : null;
}
