/** Parts of a power of ten that amounts are round to, the coarsest first. */
const factors = [5, 1];

/**
 * The roundest whole amount of a stretch: a multiple of the coarsest step that has one in it. Of several the one nearest to what is preferred.
 *
 * @param from at least 0 @param to from or more @returns null where no whole number lies in the stretch
 */
export function roundest(from: number, to: number, preferred = (from + to) / 2): number | null {
  for (let power = 10 ** Math.ceil(Math.log10(Math.max(1, to))); power >= 1; power /= 10) {
    for (const factor of factors) {
      const step = power * factor;
      const [lowest, highest] = [Math.ceil(from / step) * step, Math.floor(to / step) * step];
      if (lowest > highest) continue;
      return Math.min(highest, Math.max(lowest, Math.round(preferred / step) * step));
    }
  }
  return null;
}
