import type { RowDataPacket } from 'mysql2/promise';
import type { Redemptions } from '../../core/policy/types.ts';
import { currentState } from '../current-state.ts';
import { reading } from '../database/pool.ts';
import { andThen, type Soon } from '../soon.ts';

/** By id of an offer. */
type UsesInAll = ReadonlyMap<string, number>;
type UsesOfOne = ReadonlyMap<string, { redeemed: number; reserved: number }>;

const usesInAll = (): Soon<UsesInAll> => andThen(currentState(), ({ uses }) => uses);

/** What a shopper has redeemed of each offer, and whether one is reserved for them. */
function usesBy(shopper: Buffer): Promise<UsesOfOne> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(
      'SELECT offer_id, SUM(redeemed) AS redeemed, SUM(reserved) AS reserved FROM (SELECT offer_id, COUNT(*) AS redeemed, 0 AS reserved FROM redemption WHERE shopper_hash = ? GROUP BY offer_id UNION ALL SELECT offer_id, 0, 1 FROM reservation WHERE shopper_hash = ? AND until_at > UTC_TIMESTAMP(3)) counted GROUP BY offer_id',
      [shopper, shopper],
    );
    return new Map(
      rows.map(({ offer_id, redeemed, reserved }) => [
        String(offer_id),
        { redeemed: Number(redeemed), reserved: Number(reserved) },
      ]),
    );
  });
}

/**
 * How often offers with limits count as used for a shopper: by the orders that the shop has reported and what is reserved for
 * others. What the shop says itself wins, offer by offer.
 *
 * @param limited ids of the offers that have limits
 */
export function redemptionsFor(
  limited: ReadonlySet<string>,
  shopper: Buffer | null,
  said: Redemptions | undefined,
): Soon<Redemptions | undefined> {
  if (limited.size === 0) return said;
  const uses = shopper
    ? Promise.all([usesInAll(), usesBy(shopper)])
    : andThen(usesInAll(), (all) => [all, null] as [UsesInAll, null]);
  return andThen<[UsesInAll, UsesOfOne | null], Redemptions>(uses, ([all, own]) => ({
    ...counted(limited, all, own),
    ...said,
  }));
}

/** @param own null: it is not known who asks */
function counted(limited: ReadonlySet<string>, all: UsesInAll, own: UsesOfOne | null): Redemptions {
  const uses = [...limited].map((offer) => {
    const { redeemed, reserved } = own?.get(offer) ?? { redeemed: 0, reserved: 0 };
    // What is held may be older than the shopper's own reservation.
    const others = Math.max(0, (all.get(offer) ?? 0) - reserved);
    return [offer, { inAll: others, ...(own ? { byShopper: redeemed } : {}) }] as const;
  });
  return Object.fromEntries(uses);
}
