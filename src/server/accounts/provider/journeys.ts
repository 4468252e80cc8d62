import type { RowDataPacket } from 'mysql2/promise';
import { inTransaction } from '../../database/pool.ts';
import { storeId } from '../../store-id.ts';
import { hashOfToken } from '../tokens.ts';
import type { Expected } from './relying.ts';

/** For so long somebody may take at the provider. minutes */
export const goodFor = 10;

/** What somebody goes to the provider for. */
export type Purpose =
  | { purpose: 'sign-in'; next: string }
  | { purpose: 'join'; link: Buffer; name: string; signIn: string }
  | { purpose: 'connect'; accountId: string };

/** Somebody on the way to the provider and back. */
export type Journey = Expected & Purpose;

/** @param browser what the browser that goes shows when it comes back */
export const keepJourney = ({ state, nonce, verifier, back, ...purpose }: Journey, browser: string): Promise<void> =>
  inTransaction(async (connection) => {
    await connection.query('DELETE FROM provider_journey WHERE store_id = ? AND ends_at < UTC_TIMESTAMP(3)', [storeId]);
    await connection.query(
      'INSERT INTO provider_journey (state_hash, store_id, browser_hash, purpose, nonce, verifier, back, next, account_id, link_hash, name, sign_in, ends_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, DATE_ADD(UTC_TIMESTAMP(3), INTERVAL ? MINUTE))',
      [
        hashOfToken(state),
        storeId,
        hashOfToken(browser),
        purpose.purpose,
        nonce,
        verifier,
        back,
        purpose.purpose === 'sign-in' ? purpose.next : '',
        purpose.purpose === 'connect' ? purpose.accountId : null,
        ...(purpose.purpose === 'join' ? [purpose.link, purpose.name, purpose.signIn] : [null, null, null]),
        goodFor,
      ],
    );
  });

/** The journey that ends; it is used up. @returns null: there is none, it took too long, or another browser went */
export const takeJourney = (state: string, browser: string): Promise<Journey | null> =>
  inTransaction(async (connection) => {
    const keys = [storeId, hashOfToken(state), hashOfToken(browser)];
    const [[row]] = await connection.query<RowDataPacket[]>(
      'SELECT purpose, nonce, verifier, back, next, account_id, link_hash, name, sign_in FROM provider_journey WHERE store_id = ? AND state_hash = ? AND browser_hash = ? AND ends_at > UTC_TIMESTAMP(3) FOR UPDATE',
      keys,
    );
    if (!row) return null;
    await connection.query(
      'DELETE FROM provider_journey WHERE store_id = ? AND state_hash = ? AND browser_hash = ?',
      keys,
    );
    const expected = { state, nonce: String(row.nonce), verifier: String(row.verifier), back: String(row.back) };
    return { ...expected, ...purposeFrom(row) };
  });

function purposeFrom(row: RowDataPacket): Purpose {
  const purpose = row.purpose as Purpose['purpose'];
  if (purpose === 'sign-in') return { purpose, next: String(row.next) };
  if (purpose === 'connect') return { purpose, accountId: String(row.account_id) };
  return { purpose, link: row.link_hash as Buffer, name: String(row.name), signIn: String(row.sign_in) };
}
