import { chargeOfPreset } from '../charges/presets.ts';
import type { Charge } from '../policy/types.ts';
import { roundestIn, type Gap } from './gap.ts';
import type { ReadArea } from './read-areas.ts';
import type { ReadCode } from './read-codes.ts';
import type { DatedRule } from './read-option.ts';
import type { ReadRule } from './read-rule.ts';
import type { ReadMarket } from './read-store.ts';

/** An option as it is proposed: what it costs now, and what it cost before. */
export interface ProposedOption {
  /** its id, or what the export called it */
  option: string;
  charge: Charge;
  now: DatedRule;
  before: DatedRule[];
  orders: number;
  explained: number;
}

/** A goal from which delivery is free now, by some options of a market. */
export interface ProposedGoal {
  /** minor units */
  from: number;
  gap: Gap | null;
  options: string[];
  /** day since which it has held for all of them; since 1970-01-01 */
  since: number;
}

/** What orders say of a market, as it would be put into a policy. */
export interface ProposedRules {
  market: ReadMarket;
  options: ProposedOption[];
  goals: ProposedGoal[];
  areas: ReadArea[];
  codes: ReadCode[];
  /** options that nobody has had for long: they are left out */
  gone: string[];
}

/** An option without any order in the last so many days of its market’s orders is there no more. */
const goneAfter = 90;

/** The rules that hold now, as charges and goals. A goal that several options share lies where all of their orders say it may. */
export function proposedRules(market: ReadMarket): ProposedRules {
  const all = market.read.options.filter(({ read }) => read.rules.length > 0);
  const end = all.reduce((latest, { read }) => Math.max(latest, read.rules.at(-1)!.to), 0);
  const there = all.filter(({ read }) => read.rules.at(-1)!.to > end - goneAfter);
  const options = there.map(({ option, read }): ProposedOption => {
    const now = read.rules.at(-1)!;
    return {
      option,
      charge: chargeOf(now.rule),
      now,
      before: read.rules.slice(0, -1),
      orders: read.orders,
      explained: read.explained,
    };
  });
  return {
    market,
    options,
    goals: sharedGoals(options),
    areas: market.areas,
    codes: market.codes,
    gone: all.filter((one) => !there.includes(one)).map(({ option }) => option),
  };
}

function chargeOf({ measure, steps, free }: ReadRule): Charge {
  const [first] = steps;
  if (!first) return chargeOfPreset({ kind: 'flat', price: { exact: 0 } });
  if (measure === 'none') return chargeOfPreset({ kind: 'flat', price: { exact: first.price } });
  if (measure === 'value') {
    const below = steps.filter(({ from }) => !free || from < free.from);
    return chargeOfPreset({
      kind: 'stepsByValue',
      steps: below.map(({ from, price }) => ({ from: { exact: from }, price: { exact: price } })),
    });
  }
  return chargeOfPreset({
    kind: 'stepsByCount',
    measure,
    steps: steps.map(({ from, price }) => ({ from, price: { exact: price } })),
  });
}

function sharedGoals(options: readonly ProposedOption[]): ProposedGoal[] {
  const goals: ProposedGoal[] = [];
  for (const { option, now } of options) {
    const { free } = now.rule;
    // What was never paid for needs no goal.
    if (!free || now.rule.steps.length === 0) continue;
    const fitting = goals.find(
      ({ gap }) => gap && free.gap && gap.after < free.gap.until && free.gap.after < gap.until,
    );
    if (!fitting) {
      goals.push({ from: free.from, gap: free.gap, options: [option], since: now.from });
      continue;
    }
    fitting.gap = {
      after: Math.max(fitting.gap!.after, free.gap!.after),
      until: Math.min(fitting.gap!.until, free.gap!.until),
    };
    fitting.from = roundestIn(fitting.gap);
    fitting.options.push(option);
    fitting.since = Math.max(fitting.since, now.from);
  }
  return goals.sort((a, b) => a.from - b.from);
}
