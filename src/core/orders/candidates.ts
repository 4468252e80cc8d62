import { indexFrom } from './distribution.ts';
import { likelihoodAt, type Response } from './response.ts';
import { sumBelow, type Tally } from './tally.ts';

/** What a goal would do in a month. Amounts are expectations in minor units, not rounded; `orders…` are numbers of orders. */
export interface GoalOutcome {
  goal: number;
  /** orders at the goal or above already; of them, those that pay for delivery now */
  above: number;
  abovePaying: number;
  /** orders within reach that would gain something by adding */
  within: number;
  /** of them, those expected to add */
  adding: number;
  /** what those within reach lack on average, minor units */
  lacking: number;
  /** delivery, or the second reward, given to those above and to those who add */
  cost: number;
  /** margin on what is added */
  gain: number;
}

export interface Outcome {
  /** in the order of the goals */
  goals: GoalOutcome[];
  cost: number;
  gain: number;
  net: number;
  /** the net between which it lies: likelihoods wrong by their spread, and months differing by chance (95 %) */
  low: number;
  high: number;
  /** share of orders at the first goal or above afterwards */
  qualifying: number;
}

/**
 * What goals would cost and bring in a month, from the orders of a period (2-domain §10). The first goal makes delivery
 * free: it costs what orders at or above it pay for delivery now, and only who pays now has a reason to add, as far as the
 * goal is news to them: where those just above it (by a tenth at most) have delivery free already, it is none. A second goal
 * gives a further reward, at the cost stated, to all at or above it; those between the goals may add for it. Nobody is
 * expected to buy less, and orders whose delivery is not known are left out of cost and gain.
 *
 * The band is that of a compound Poisson sum (variance: the sum of squared contributions) around the nets at the likelihoods'
 * ends.
 *
 * @param goals one or two, ascending @param months length of the period
 */
export function outcomeOf(tally: Tally, months: number, response: Response, goals: readonly number[]): Outcome {
  const parts = goals.map((goal, position) =>
    partsOf(tally, response, goal, position === 0 ? 0 : goals[position - 1]!, position > 0),
  );
  const at = (factor: number) =>
    parts.reduce((sum, part) => sum + factor * (part.gain - part.addingCost) - part.aboveCost, 0);
  const likely = at(1);
  const ends = [at(1 - response.spread), at(1 + response.spread)];
  const chance = 1.96 * Math.sqrt(parts.reduce((sum, part) => sum + part.squares, 0));
  const adding = parts[0] ? parts[0].adding : 0;
  return {
    goals: parts.map((part) => ({
      goal: part.goal,
      above: part.above / months,
      abovePaying: part.abovePaying / months,
      within: part.within / months,
      adding: part.adding / months,
      lacking: part.within > 0 ? part.lackingSum / part.within : 0,
      cost: (part.aboveCost + part.addingCost) / months,
      gain: part.gain / months,
    })),
    cost: parts.reduce((sum, part) => sum + part.aboveCost + part.addingCost, 0) / months,
    gain: parts.reduce((sum, part) => sum + part.gain, 0) / months,
    net: likely / months,
    low: (Math.min(...ends) - chance) / months,
    high: (Math.max(...ends) + chance) / months,
    qualifying: tally.orders > 0 && parts[0] ? (parts[0].above + adding) / tally.orders : 0,
  };
}

interface Parts {
  goal: number;
  above: number;
  abovePaying: number;
  aboveCost: number;
  within: number;
  adding: number;
  lackingSum: number;
  addingCost: number;
  gain: number;
  /** of what every order contributes to the net */
  squares: number;
}

function partsOf(tally: Tally, response: Response, goal: number, floor: number, second: boolean): Parts {
  const all = tally.orders;
  const last = tally.values.length - 1;
  const rest = (sums: Float64Array) => (last < 0 ? 0 : sums[last]! - sumBelow(tally, sums, goal));
  const above = rest(tally.cumulative);
  const parts: Parts = {
    goal,
    above,
    abovePaying: rest(tally.paying),
    aboveCost: second ? above * response.secondReward : rest(tally.paid),
    within: 0,
    adding: 0,
    lackingSum: 0,
    addingCost: 0,
    gain: 0,
    squares: second ? above * response.secondReward ** 2 : rest(tally.paidSquares),
  };
  if (all === 0) return parts;
  const news = second ? 1 : newsOf(tally, goal);
  const step = (sums: Float64Array, i: number) => sums[i]! - (i > 0 ? sums[i - 1]! : 0);
  for (
    let i = indexFrom(tally, Math.max(floor, goal * (1 - response.reach)));
    i <= last && tally.values[i]! < goal;
    i++
  ) {
    const lacking = goal - tally.values[i]!;
    const orders = step(second ? tally.cumulative : tally.paying, i);
    if (orders === 0) continue;
    const likelihood = news * likelihoodAt(response, goal, tally.values[i]!);
    const given = second ? orders * response.secondReward : step(tally.paid, i);
    const givenSquares = second ? orders * response.secondReward ** 2 : step(tally.paidSquares, i);
    const brought = response.margin * lacking;
    parts.within += orders;
    parts.lackingSum += orders * lacking;
    parts.adding += likelihood * orders;
    parts.addingCost += likelihood * given;
    parts.gain += likelihood * orders * brought;
    parts.squares += likelihood * (orders * brought ** 2 - 2 * brought * given + givenSquares);
  }
  return parts;
}

/** To what share of shoppers free delivery from a goal would be new: how many of those just above it pay now. */
function newsOf(tally: Tally, goal: number): number {
  const between = (sums: Float64Array) => sumBelow(tally, sums, goal * 1.1) - sumBelow(tally, sums, goal);
  const paying = between(tally.paying);
  const known = paying + between(tally.free);
  return known === 0 ? 1 : paying / known;
}

/** Outcomes along the line, one for each step from `step` to `until`. */
export function candidateCurve(
  tally: Tally,
  months: number,
  response: Response,
  step: number,
  until: number,
): Outcome[] {
  const curve: Outcome[] = [];
  for (let goal = step; goal <= until; goal += step) curve.push(outcomeOf(tally, months, response, [goal]));
  return curve;
}
