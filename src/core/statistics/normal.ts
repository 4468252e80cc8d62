/**
 * The standard normal distribution up to a point. Source: the complementary error function by the continued fraction and the
 * series of Abramowitz and Stegun, 7.1.5 and 7.1.14.
 */
export function normalCdf(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const tail = x < 2.5 ? (1 - errorSeries(x)) / 2 : errorFraction(x) / 2;
  return z > 0 ? 1 - tail : tail;
}

/** erf(x) by its series, for small x. */
function errorSeries(x: number): number {
  let term = x;
  let sum = x;
  for (let n = 1; n < 200 && Math.abs(term) > 1e-17 * Math.abs(sum); n++) {
    term *= (2 * x * x) / (2 * n + 1);
    sum += term;
  }
  return (2 / Math.sqrt(Math.PI)) * Math.exp(-x * x) * sum;
}

/** erfc(x) by its continued fraction, for large x. */
function errorFraction(x: number): number {
  let fraction = 0;
  for (let n = 80; n > 0; n--) fraction = n / 2 / (x + fraction);
  return Math.exp(-x * x) / ((x + fraction) * Math.sqrt(Math.PI));
}

/**
 * The point below which a share of the standard normal distribution lies, by bisection.
 *
 * @param share above 0 and below 1
 */
export function normalQuantile(share: number): number {
  if (!(share > 0 && share < 1)) throw new RangeError('a share lies between 0 and 1');
  let low = -40;
  let high = 40;
  // What is cut in half sixty times is as exact as a number can be.
  for (let i = 0; i < 70; i++) {
    const middle = (low + high) / 2;
    if (normalCdf(middle) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
