import type { PoolConnection, ResultSetHeader } from 'mysql2/promise';
import { inTransaction } from '../database/pool.ts';
import { forgetState } from '../current-state.ts';
import { shopperHash } from './shopper-hash.ts';

/** Where it is known which shopper something was of; what was ordered and redeemed stays, as anybody’s. */
const named = [
  ['past_order', 'customer_hash'],
  ['placed_order', 'shopper_hash'],
  ['redemption', 'shopper_hash'],
  ['given_quote', 'shopper_hash'],
] as const;

/** What is of a shopper alone. */
const ofOne = ['reservation', 'experiment_shopper'] as const;

/** Takes away everything by which orders and quotes can be told to be of one shopper. @returns how many orders were */
export async function forgetShopper(key: string): Promise<number> {
  const shopper = await shopperHash(key);
  const affected = async (connection: PoolConnection, sql: string) =>
    (await connection.query<ResultSetHeader>(sql, [shopper]))[0].affectedRows;
  try {
    return await inTransaction(async (connection) => {
      let orders = 0;
      for (const [table, column] of named) {
        const count = await affected(connection, `UPDATE ${table} SET ${column} = NULL WHERE ${column} = ?`);
        if (table === 'past_order') orders = count;
      }
      for (const table of ofOne) await affected(connection, `DELETE FROM ${table} WHERE shopper_hash = ?`);
      return orders;
    });
  } finally {
    forgetState();
  }
}
