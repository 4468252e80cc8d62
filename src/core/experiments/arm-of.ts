import murmurhash from 'murmurhash';

/** Shoppers are spread over so many buckets: shares of arms are told to the hundredth of a percent. */
export const buckets = 10_000;

/**
 * In which bucket a shopper is: always the same for a key and a salt, as good as at random for another salt.
 * MurmurHash3 (x86, 32 bits, seed 0) of the salt, a colon and the key as UTF-8; the hash times 10,000 over 2³², rounded down.
 *
 * @param salt of the experiment @param shopper a key of the shop’s that stays the same for a shopper
 */
export const bucketOf = (salt: string, shopper: string): number =>
  Math.floor((murmurhash.v3(`${salt}:${shopper}`) / 2 ** 32) * buckets);

/**
 * The arm that a bucket belongs to, by their shares one after another.
 *
 * @param shares of the arms in buckets; whoever is beyond them takes no part
 * @returns place among the arms; null: none
 */
export function armOfBucket(bucket: number, shares: readonly number[]): number | null {
  let until = 0;
  for (const [index, share] of shares.entries()) {
    until += share;
    if (bucket < until) return index;
  }
  return null;
}
