/**
 * The lowest whole number in [from, to] for which a condition holds that stays once it holds; null when it does not
 * hold at `to` either. By bisection, in log₂(to − from) steps.
 */
export function lowestThat(holds: (value: number) => boolean, from: number, to: number): number | null {
  if (holds(from)) return from;
  if (!holds(to)) return null;
  let low = from;
  let high = to;
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (holds(middle)) high = middle;
    else low = middle;
  }
  return high;
}
