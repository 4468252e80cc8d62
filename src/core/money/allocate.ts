/**
 * Splits an amount over weights by largest remainder, ties by position: the parts always add up to the amount.
 * Amount and weights are non-negative integers (minor units). With no positive weight every part is 0 if the
 * amount is 0.
 *
 * Source: the largest-remainder (Hamilton) method of apportionment; 2-domain §1.
 * @throws RangeError when there is something to split and nothing to split it over
 */
export function allocate(amount: number, weights: readonly number[]): number[] {
  const valid = (n: number) => Number.isSafeInteger(n) && n >= 0;
  if (!valid(amount) || !weights.every(valid))
    throw new RangeError('amount and weights must be whole and not negative');
  const total = weights.reduce((sum, weight) => sum + BigInt(weight), 0n);
  if (total === 0n) {
    if (amount === 0) return weights.map(() => 0);
    throw new RangeError('nothing to split the amount over');
  }
  const shares = weights.map((weight, index) => {
    const product = BigInt(amount) * BigInt(weight);
    return { index, part: Number(product / total), remainder: product % total };
  });
  let left = amount - shares.reduce((sum, share) => sum + share.part, 0);
  const byRemainder = [...shares].sort((a, b) => {
    if (a.remainder === b.remainder) return a.index - b.index;
    if (a.remainder < b.remainder) return 1;
    return -1;
  });
  for (const share of byRemainder) {
    if (left === 0) break;
    share.part += 1;
    left -= 1;
  }
  return shares.map((share) => share.part);
}
