import type { RowDataPacket } from 'mysql2/promise';
import { reading } from '../database/pool.ts';
import { heldFor } from '../held.ts';
import { storeId } from '../user.ts';

/** What quotes are signed with. */
export interface SigningSecret {
  id: string;
  secret: Buffer;
}

/** For so long other processes may go on signing with one that has been retired meanwhile. ms */
const holdsFor = 10_000;

const held = heldFor(holdsFor, lookUp);

/** All that are known, the one that signs first. */
export const signingSecrets = (): Promise<readonly SigningSecret[]> => held.get();

function lookUp(): Promise<readonly SigningSecret[]> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(
      'SELECT id, secret FROM signing_secret WHERE store_id = ? ORDER BY retired_at IS NOT NULL, made_at DESC, id',
      [storeId],
    );
    return rows.map(({ id, secret }) => ({ id: String(id), secret: secret as Buffer }));
  });
}
