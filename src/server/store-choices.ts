import type { Pool, PoolConnection, RowDataPacket } from 'mysql2/promise';
import type { ChangedChoices, Choices } from '../contract/shapes/choices.ts';
import { reading } from './database/pool.ts';
import { changingPeople } from './accounts/account-store.ts';
import { storeId } from './store-id.ts';

const usual: Choices = { twoPeople: false, recordDays: 365, orderDays: null };

export async function choicesIn(reader: Pool | PoolConnection): Promise<Choices> {
  const [[row]] = await reader.query<RowDataPacket[]>(
    'SELECT two_people, record_days, order_days FROM store_choice WHERE store_id = ?',
    [storeId],
  );
  if (!row) return usual;
  return {
    twoPeople: Boolean(row.two_people),
    recordDays: Number(row.record_days),
    orderDays: row.order_days === null ? null : Number(row.order_days),
  };
}

export const readChoices = (): Promise<Choices> => reading(choicesIn);

/** @returns the choices as they are then; null where a release would take two people and there are no two who may release */
export const choose = (some: ChangedChoices): Promise<Choices | null> =>
  changingPeople(async (connection) => {
    const before = await choicesIn(connection);
    const choices = { ...before, ...some };
    if (choices.twoPeople && !before.twoPeople && (await releasing(connection)) < 2) return null;
    await connection.query(
      'REPLACE INTO store_choice (store_id, two_people, record_days, order_days) VALUES (?, ?, ?, ?)',
      [storeId, choices.twoPeople, choices.recordDays, choices.orderDays],
    );
    if (!choices.twoPeople) await connection.query('DELETE FROM release_asked WHERE store_id = ?', [storeId]);
    return choices;
  });

/** How many may release something. */
async function releasing(connection: PoolConnection): Promise<number> {
  const [[row]] = await connection.query<RowDataPacket[]>(
    "SELECT COUNT(*) AS people FROM account WHERE store_id = ? AND role IN ('release', 'own')",
    [storeId],
  );
  return Number(row!.people);
}
