/** The logarithm of the gamma function. Source: Lanczos' approximation with g = 7 and nine terms, error below 1e-14. */
export function logGamma(x: number): number {
  const terms = [
    0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
    12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
  ];
  const y = x - 1;
  const t = y + 7.5;
  const sum = terms.slice(1).reduce((total, term, i) => total + term / (y + i + 1), terms[0]!);
  return 0.5 * Math.log(2 * Math.PI) + (y + 0.5) * Math.log(t) - t + Math.log(sum);
}
