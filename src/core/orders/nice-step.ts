/** 1, 2, 2.5 or 5 times a power of ten, at least `atLeast`: whole minor units, never under one. */
export function niceStep(atLeast: number): number {
  const power = 10 ** Math.floor(Math.log10(Math.max(1, atLeast)));
  return (
    [1, 2, 2.5, 5, 10]
      .map((factor) => factor * power)
      .find((candidate) => Number.isInteger(candidate) && candidate >= atLeast) ?? power * 10
  );
}
