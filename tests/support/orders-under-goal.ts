import { emptyColumns, type OrderColumns } from '../../src/core/orders/columns.ts';
import type { Response } from '../../src/core/orders/response.ts';
import { normal, seededRandom } from '../../src/core/statistics/random.ts';

/** What delivery costs below the goal, minor units. */
export const priceBelow = 595;

/** Orders as they come in under a goal: each has a value of its own, and may be lifted to the goal. */
export function ordersUnderGoal(
  seed: number,
  count: number,
  goal: number | null,
  known: Response,
): { columns: OrderColumns; own: number[] } {
  const random = seededRandom(seed);
  const own = Array.from({ length: count }, () => Math.round(Math.exp(8.6 + 0.45 * normal(random))));
  const columns = emptyColumns(count);
  for (const [i, value] of own.entries()) {
    const lacking = goal === null ? Infinity : goal - value;
    const within = goal !== null && lacking > 0 && lacking <= goal * known.reach;
    const likely = within ? known.near + (known.far - known.near) * (lacking / (goal * known.reach)) : 0;
    const lifted = random() < likely;
    columns.goods[i] = lifted ? goal! + Math.floor(random() ** 2 * goal! * 0.06) : value;
    columns.delivery[i] = goal !== null && columns.goods[i]! >= goal ? 0 : priceBelow;
  }
  return { columns, own };
}

/** The net of an order of a value of its own under a goal, on average over who adds; in the words of the formula. */
export function netUnderGoal(value: number, goal: number | null, { margin, ...known }: Response): number {
  // What is paid for delivery is what it costs.
  const pays = margin * value;
  if (goal === null) return pays;
  if (value >= goal) return margin * value - priceBelow;
  const lacking = goal - value;
  if (lacking > goal * known.reach) return pays;
  const likely = known.near + (known.far - known.near) * (lacking / (goal * known.reach));
  return likely * (margin * goal - priceBelow) + (1 - likely) * pays;
}
