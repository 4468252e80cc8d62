import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import { recoveryCodes } from '../../contract/shapes/account.ts';
import { reading } from '../database/pool.ts';
import { randomId } from '../random-id.ts';
import { storeId } from '../store-id.ts';
import { hashOfToken } from './tokens.ts';

/** 80 bits, in groups that can be read out. */
const newCode = (): string => Array.from({ length: 4 }, () => randomId(4)).join('-');
/** However it is typed. */
const asKept = (code: string): Buffer => hashOfToken(code.toLowerCase().replaceAll(/[^a-z2-7]/g, ''));

/** Makes codes in place of those of before. @returns them, for the only time */
export async function makeCodes(connection: PoolConnection, accountId: string): Promise<string[]> {
  const codes = Array.from({ length: recoveryCodes }, newCode);
  await connection.query('DELETE FROM recovery_code WHERE store_id = ? AND account_id = ?', [storeId, accountId]);
  await connection.query('INSERT INTO recovery_code (store_id, account_id, code_hash) VALUES ?', [
    codes.map((code) => [storeId, accountId, asKept(code)]),
  ]);
  return codes;
}

/** Uses a code up. @returns whether it was one */
export async function useCode(connection: PoolConnection, accountId: string, code: string): Promise<boolean> {
  const [{ affectedRows }] = (await connection.query(
    'DELETE FROM recovery_code WHERE store_id = ? AND account_id = ? AND code_hash = ?',
    [storeId, accountId, asKept(code)],
  )) as unknown as [{ affectedRows: number }];
  return affectedRows > 0;
}

export async function codesLeft(accountId: string): Promise<number> {
  const [[row]] = await reading((pool) =>
    pool.query<RowDataPacket[]>('SELECT COUNT(*) AS codes FROM recovery_code WHERE store_id = ? AND account_id = ?', [
      storeId,
      accountId,
    ]),
  );
  return Number(row!.codes);
}
